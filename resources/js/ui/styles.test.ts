import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = 'resources/js';

/** Every style sheet of the interface. */
const sheets = (readdirSync(ROOT, { recursive: true, encoding: 'utf8' }) as string[])
  .filter((f) => f.endsWith('.css'))
  .map((f) => ({ file: f, text: readFileSync(join(ROOT, f), 'utf8') }));

/** Selectors of a sheet, one by one; what stands in a media query counts as well. */
function selectors(text: string): string[] {
  const bare = text.replace(/\/\*[\s\S]*?\*\//g, '').replace(/@keyframes[^{]*\{(?:[^{}]*\{[^{}]*\})*\s*\}/g, '');
  return [...bare.matchAll(/([^{};]+)\{/g)]
    .flatMap((m) => m[1]!.split(/,(?![^(]*\))/))
    .map((s) => s.trim())
    .filter((s) => s !== '' && !s.startsWith('@'));
}

const classes = (selector: string) => [...new Set([...selector.matchAll(/\.(-?[_a-z][\w-]*)/gi)].map((m) => m[1]!))];

/** A state that anything may be in. */
const isState = (name: string) => /^(is|has|on)-/.test(name);

/** Classes that a sheet styles wherever they stand, and selectors of it that reach whatever is in a state. */
export function reach(text: string): { everywhere: Set<string>; states: string[] } {
  const everywhere = new Set<string>();
  const states: string[] = [];
  for (const selector of selectors(text)) {
    const all = classes(selector);
    const names = all.filter((c) => !isState(c) && !c.startsWith('ant-'));
    if (names.length === 1) everywhere.add(names[0]!);
    if (all.length > 0 && all.every(isState) && !/#/.test(selector)) states.push(selector);
  }
  return { everywhere, states };
}

describe('styles stay at home', () => {
  it('no two places style one class wherever it stands', () => {
    const by = new Map<string, Set<string>>();
    for (const { file, text } of sheets)
      for (const name of reach(text).everywhere) by.set(name, (by.get(name) ?? new Set()).add(dirname(file)));
    expect([...by].filter(([, places]) => places.size > 1).map(([name, places]) => [name, ...places])).toEqual([]);
  });

  it('a state is styled on something, never on whatever is in it', () => {
    const loose = sheets
      .filter(({ file }) => !file.startsWith('ui/theme/'))
      .flatMap(({ file, text }) => reach(text).states.map((s) => `${file}: ${s}`));
    expect(loose).toEqual([]);
  });

  it('sees a class that two places share, and a loose state', () => {
    expect(reach('.a .bar { x: y } .bar:hover, b .bar i { x: y }').everywhere).toEqual(new Set(['bar']));
    expect(reach('.day-band .bar { x: y }').everywhere).toEqual(new Set());
    expect(reach('@media (x) { .is-lit { x: y } } .plate.is-lit { x: y }').states).toEqual(['.is-lit']);
  });
});
