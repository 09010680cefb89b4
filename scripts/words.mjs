// Every word the code shows or prints: texts between tags, and strings and templates that are no import, key, type or
// class.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseSync } from '@swc/core';

/** Attributes that nobody reads. */
const UNREAD = new Set([
  'className',
  'inputClass',
  'key',
  'id',
  'htmlFor',
  'href',
  'type',
  'role',
  'style',
  'inputMode',
  'autoComplete',
  'value',
]);

/** Nodes that say nothing to anybody. */
const SILENT = new Set([
  'ImportDeclaration',
  'ExportAllDeclaration',
  'TsTypeAliasDeclaration',
  'TsInterfaceDeclaration',
  'TsTypeAnnotation',
  'TsLiteralType',
]);

/** @returns {string[]} every file of these folders that holds code and no tests */
export function codeIn(folders) {
  const walk = (at) =>
    readdirSync(at).flatMap((name) => {
      const path = join(at, name);
      if (statSync(path).isDirectory()) return walk(path);
      return /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name) ? [path] : [];
    });
  return folders.flatMap(walk);
}

/** @returns {string[]} what a file says, in its order; what stands in a template's place is "{}" */
export function wordsOf(path) {
  const { body } = parseSync(readFileSync(path, 'utf8'), { syntax: 'typescript', tsx: path.endsWith('.tsx') });
  const out = [];
  const say = (text) => {
    if (/[A-Za-z]{2}/.test(text)) out.push(text.replace(/\s+/g, ' ').trim());
  };
  const walk = (n) => {
    if (Array.isArray(n)) return n.forEach(walk);
    if (!n || typeof n !== 'object' || SILENT.has(n.type)) return;
    if (n.type === 'JSXAttribute' && UNREAD.has(n.name?.value)) return;
    if (n.type === 'KeyValueProperty') return walk(n.value);
    if (n.type === 'JSXText' || n.type === 'StringLiteral') return say(n.value);
    if (n.type === 'TemplateLiteral') {
      say(n.quasis.map((q) => q.cooked ?? '').join('{}'));
      return walk(n.expressions);
    }
    // what is compared is not said
    const compared = n.type === 'BinaryExpression' && /^[!=]==?$/.test(n.operator);
    for (const [k, v] of Object.entries(n)) {
      if (k === 'span' || k === 'typeAnnotation' || (compared && v?.type === 'StringLiteral')) continue;
      if (v && typeof v === 'object') walk(v);
    }
  };
  walk(body);
  return out;
}
