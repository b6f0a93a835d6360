import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import * as en from './en';
import { t, type Key } from './t';

const root = join(import.meta.dirname, '..');
const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : /\.tsx?$/.test(name) && !name.includes('.test.') ? [path] : [];
  });

const source = files(root)
  .filter((f) => !f.includes('/words/'))
  .map((f) => readFileSync(f, 'utf8'))
  .join('\n');

const entries = Object.entries(en).flatMap(([place, words]) =>
  Object.entries(words as Record<string, string>).map(([key, text]) => ({ place, key, text })),
);

describe('the catalogue of words', () => {
  it('holds nothing that is used nowhere', () => {
    const idle = entries.filter(({ place, key }) => !source.includes(`'${place}.${key.replace(/_(one|other)$/, '')}'`));
    expect(idle.map(({ place, key }) => `${place}.${key}`)).toEqual([]);
  });

  it('has one and many of what is counted', () => {
    for (const { place, key } of entries) {
      const m = /^(.*)_(one|other)$/.exec(key);
      if (m) expect(en[place as keyof typeof en]).toHaveProperty(`${m[1]}_${m[2] === 'one' ? 'other' : 'one'}`);
    }
  });

  it('says nothing with two blanks, two marks of an assumption or an empty place', () => {
    for (const { text } of entries) expect(text).not.toMatch(/ {3}|~~|\{\{\}\}|undefined/);
  });

  it('puts in what it is given, and nothing for what is not there', () => {
    expect(t('plan.danger', { count: 1 })).toBe('1 danger');
    expect(t('plan.danger', { count: 3 })).toBe('3 dangers');
    expect(t('plan.rewrite', { title: 'Bench & <b>' })).toBe('rewrite “Bench & <b>”');
    expect(t('plan.rewrite', { title: undefined })).toBe('rewrite “”');
    expect(t('plan.rewrite' as Key)).toContain('rewrite');
  });
});
