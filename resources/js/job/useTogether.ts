import { useEffect, useRef, useState } from 'react';
import { api, uuid, type Here } from '../api/client';
import type { DesignHold } from './useDesign';

/** While somebody else is here too, and while alone. */
const TOGETHER_MS = 700;
const ALONE_MS = 2500;

export interface Together {
  people: Here['people'];
  /** what others did and this page does not show yet, because something here is in somebody's hands */
  waiting: Here['changes'];
  show: () => void;
}

/** Something is being typed, dragged or decided: what others do must not move it. */
function busy(): boolean {
  const at = document.activeElement;
  return (
    document.querySelector(
      '.ant-modal-wrap:not([style*="display: none"]) .ant-modal, .ant-drawer-open, .is-dragging',
    ) !== null ||
    (at instanceof HTMLElement && at.matches('input:not([type=checkbox]):not([type=radio]), textarea'))
  );
}

/**
 * Sees the others: says where one is, learns who else is and what they changed. New revisions are
 * taken in at once, or wait behind a word when a hand is on something.
 */
export function useTogether(hold: DesignHold | null, place: string, about: string | null): Together {
  const [people, setPeople] = useState<Here['people']>([]);
  const [waiting, setWaiting] = useState<Here['changes']>([]);
  const tab = useRef(uuid());
  const latest = useRef({ hold, place, about });
  useEffect(() => {
    latest.current = { hold, place, about };
  });
  const job = hold?.design.id;
  useEffect(() => {
    if (job === undefined) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let stopped = false;
    const own = tab.current;
    const send = async (leaving = false) => {
      const { hold: now, place: at, about: on } = latest.current;
      return api.POST('/jobs/{job}/here', {
        params: { path: { job } },
        body: { tab: own, revision: now?.design.revision ?? 1, place: at, about: on, leaving },
      });
    };
    const beat = async () => {
      if (document.visibilityState === 'visible') {
        try {
          const { data } = await send();
          if (stopped) return;
          const now = latest.current.hold;
          if (data && now) {
            setPeople(data.people);
            if (data.head > now.design.revision && !now.saving) {
              if (busy()) setWaiting(data.changes);
              else {
                setWaiting([]);
                await now.catchUp();
              }
            } else if (data.head <= now.design.revision) setWaiting([]);
          }
          timer = setTimeout(() => void beat(), data && data.people.length > 0 ? TOGETHER_MS : ALONE_MS);
          return;
        } catch {
          // No connection: try again as if alone.
        }
      }
      if (!stopped) timer = setTimeout(() => void beat(), ALONE_MS);
    };
    void beat();
    return () => {
      stopped = true;
      clearTimeout(timer);
      void send(true).catch(() => undefined);
    };
  }, [job]);
  return {
    people,
    waiting,
    show: () => {
      setWaiting([]);
      void hold?.catchUp();
    },
  };
}
