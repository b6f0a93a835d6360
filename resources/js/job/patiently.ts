import { ApiError } from '../api/client';
import { t } from '../words/t';

/** A change that is not stored yet, and what can be done about it. */
export interface Held {
  /** why it is not stored */
  why: string;
  /** seconds until it is sent again */
  seconds: number;
  now: () => void;
  drop: () => void;
}

const FIRST_S = 0.4;
const LONGEST_S = 15;

/** What says nothing against a change: nobody was there to take it, or something broke behind the one who was. */
function passes(e: unknown): boolean {
  return !(e instanceof ApiError) || e.status >= 500 || [401, 408, 419, 429].includes(e.status);
}

function words(e: unknown): string {
  if (!(e instanceof ApiError)) return t('job.noConnection');
  if (e.status === 507) return t('job.theServerHasNoRoom');
  if (e.status === 503) return t('job.theServerIsNotReady');
  if (e.status === 429) return t('job.tooManyAtOnce');
  if (e.status === 401 || e.status === 419) return t('job.youAreSignedOut');
  return t('job.theServerAnswered', { status: e.status });
}

/**
 * Sends a change until it is stored, refused, or dropped by its person. It goes each time under the same UUID, so that
 * a second arrival does nothing twice.
 *
 * @param held is told what is held back and why, and null when it is no longer
 */
export async function patiently<T>(send: () => Promise<T>, held: (held: Held | null) => void): Promise<T> {
  for (let attempt = 0; ; attempt++) {
    try {
      const done = await send();
      held(null);
      return done;
    } catch (e) {
      if (!passes(e)) {
        held(null);
        throw e;
      }
      const seconds = Math.min(LONGEST_S, FIRST_S * 2 ** attempt);
      const dropped = await new Promise<boolean>((go) => {
        const timer = setTimeout(() => go(false), seconds * 1000);
        const at = (drop: boolean) => () => {
          clearTimeout(timer);
          go(drop);
        };
        // The first try again comes before anybody has read a word.
        if (attempt > 0) held({ why: words(e), seconds, now: at(false), drop: at(true) });
      });
      if (dropped) {
        held(null);
        throw e;
      }
    }
  }
}
