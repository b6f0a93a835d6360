import type { components } from '../api/schema';
import type { Component } from '../api/client';
import { wireFacts, type Wire } from '../build/wire';
import { t } from '../words/t';

export type LogLine = components['schemas']['LogLines']['lines'][number];

/** Something that the logbook found and the survey should know; known says where it now stands. */
export interface Found {
  line: LogLine;
  known: string | null;
}

/** What a wire or a defect says. */
interface Said extends Wire {
  words?: string;
  component?: string;
  item?: string;
}

/** Wires that nobody knew and what was broken already, in the order in which they were found. */
export function foundIn(lines: LogLine[]): Found[] {
  const known = new Map(
    lines
      .filter((l) => l.kind === 'surveyed')
      .map((l) => [String((l.says as Said).item), String((l.says as Said).words)]),
  );
  return lines
    .filter((l) => l.kind === 'wire' || l.kind === 'defect')
    .map((line) => ({ line, known: known.get(line.uuid) ?? null }));
}

/** What was found, in a line. */
export function inWords(line: LogLine): string {
  const said = line.says as Said;
  if (line.kind === 'defect') return t('survey.wasBroken', { words: said.words });
  return [said.where, wireFacts(said)].filter(Boolean).join(' · ');
}

/** The part it belongs to by its own words: the one it names, or the longest name that stands in where it leads. */
export function belongsTo(line: LogLine, parts: Record<string, Pick<Component, 'label'>>): string | null {
  const said = line.says as Said;
  if (typeof said.component === 'string' && parts[said.component]) return said.component;
  const text = `${String(said.to ?? '')} ${String(said.where ?? '')}`.toLowerCase();
  return (
    Object.entries(parts)
      .filter(([, p]) => p.label !== '' && text.includes(p.label.toLowerCase()))
      .sort(([, a], [, b]) => b.label.length - a.label.length)[0]?.[0] ?? null
  );
}
