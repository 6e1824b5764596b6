declare module '@jscad/stl-serializer' {
  const serializer: { serialize(options: { binary: boolean }, ...objects: unknown[]): (ArrayBuffer | string)[] };
  export default serializer;
}
