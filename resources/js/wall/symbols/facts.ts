import type { Answer, Plate } from '../../api/client';

/** What a plate shows of its part in a state. */
export interface Facts {
  id: string;
  plate: Plate;
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  moved: { order: number; words: string; atS: number } | undefined;
}
