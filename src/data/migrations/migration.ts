export interface Migration {
  name: string;
  /** SQL statements, carried out in one transaction. */
  statements: readonly string[];
}
