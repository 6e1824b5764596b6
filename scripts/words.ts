import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/**
 * `npm run -s words -- [folder]`: every sentence that the house says, by file, so that they can be read together: what
 * stands between tags, and every literal of two words and more.
 */
const ROOT = process.argv[2] ?? 'src';
const LEFT_OUT = /\.test\.|\.testing\.|migrations\//;

const blank = (text: string) => text.replace(/\s+/g, ' ').trim();
const isSentence = (text: string) => /\p{L}{2,}[ ’-]+\p{L}/u.test(text) && !/^[\w-]+( [\w-]+)*:|^SELECT|^\(/.test(text);

/** A template with what is put in shown as `…`. */
const templateWords = ({ head, templateSpans }: ts.TemplateExpression): string =>
  head.text + templateSpans.map(({ literal }) => `…${literal.text}`).join('');

function sentencesOf(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const walk = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    const words = ts.isTemplateExpression(node)
      ? templateWords(node)
      : ts.isJsxText(node) || ts.isStringLiteralLike(node)
        ? node.text
        : '';
    if (isSentence(words)) found.push(blank(words));
    ts.forEachChild(node, walk);
  };
  walk(source);
  return found;
}

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
  .map((file) => path.join(ROOT, file))
  .filter((file) => /\.tsx?$/.test(file) && !LEFT_OUT.test(file))
  .sort();
for (const file of files) {
  const sentences = sentencesOf(file);
  if (sentences.length > 0) process.stdout.write(`\n${file}\n${sentences.map((words) => `  ${words}\n`).join('')}`);
}
