import ELK from 'elkjs/lib/elk.bundled.js';
import type { Wall } from './api/client';
import { layoutWall } from './wall/flow/layout';
import type { Geometry } from './wall/measures';
import type { Field } from './api/client';

/* What several tests of the interface need. */

/** What a person reads of a piece of markup. */
export const words = (html: string): string =>
  html
    .replace(/<style[\s\S]*?<\/style>/g, '')
    .replace(/<title>.*?<\/title>/g, '')
    .replace(/<[^>]+>/g, ' ')
    .replace(/&#x27;/g, "'")
    .replace(/\s+/g, ' ')
    .trim();

export const nothing = (): undefined => undefined;

/** A declared property, with what a test leaves open filled in. */
export const field = (kind: string, label: string, more: Partial<Field> = {}): Field => ({
  kind,
  label,
  unit: '',
  min: 0,
  max: 0,
  choices: {},
  surveyed: false,
  required: true,
  note: '',
  of: [],
  usual: null,
  only: {},
  fields: {},
  ...more,
});

const elk = new ELK();

/** A wall laid out as the interface does it, without a worker. */
export const drawn = (walls: Wall[], tall = false): Promise<Geometry> =>
  layoutWall(walls, tall, (graph) => elk.layout(graph));
