import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Build, StepState } from '../api/client';
import { useMe } from '../shell/Session';
import { stands } from './fold';
import { keepPicture, store, tablet, write, type Picture, type Queued } from './store';
import { bring, fetchBuild } from './sync';

/** How often what waits is tried again, ms. */
const AGAIN_MS = 8000;

export interface BuildHold {
  build: Build;
  states: Record<string, StepState>;
  /** when it was last brought here, where there is no connection now */
  keptAt: string | null;
  waiting: Queued[];
  pictures: Picture[];
  /** writes a line down at once, whatever the signal */
  write: (kind: string, step: string, says: Record<string, unknown>) => Promise<void>;
  picture: (component: string, blob: Blob) => Promise<string>;
  again: () => void;
}

/** The work of a job with what is written here on top; brings it to the server whenever that can be reached. */
export function useBuild(
  job: number,
  plan: string | null,
  draft: boolean,
): { hold: BuildHold | null; error: Error | null; refetch: () => void } {
  const me = useMe();
  const client = useQueryClient();
  const [tick, again] = useState(0);
  const key = useMemo(() => ['build', job, plan, draft], [job, plan, draft]);
  const outboxKey = useMemo(() => ['outbox', job], [job]);
  const query = useQuery({
    queryKey: key,
    networkMode: 'always',
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => fetchBuild(job, plan, draft, signal),
  });
  const outbox = useQuery({
    queryKey: outboxKey,
    networkMode: 'always',
    staleTime: 0,
    queryFn: async () => ({
      waiting: await store.outbox.where('job').equals(job).sortBy('n'),
      pictures: await store.pictures.where('job').equals(job).toArray(),
    }),
  });
  const build = query.data?.build;
  const waiting = outbox.data?.waiting;

  const go = useCallback(async () => {
    const before = await store.outbox.where('job').equals(job).count();
    const brought = me === null ? null : await bring(job, me.id).catch(() => null);
    await client.invalidateQueries({ queryKey: outboxKey });
    if (brought !== null && !brought.away && (before > 0 || query.data?.keptAt))
      await client.invalidateQueries({ queryKey: ['build', job] });
  }, [client, job, me, outboxKey, query.data?.keptAt]);

  useEffect(() => {
    void go();
    const timer = setInterval(() => void go(), AGAIN_MS);
    const online = () => void go();
    window.addEventListener('online', online);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', online);
    };
  }, [go, tick]);

  const hold = useMemo<BuildHold | null>(() => {
    if (!build || !waiting) return null;
    return {
      build,
      states: stands(
        build,
        waiting.filter((q) => q.problems === null).map((q) => ({ line: q.line, by: q.name, tablet: tablet() })),
      ),
      keptAt: query.data?.keptAt ?? null,
      waiting,
      pictures: outbox.data?.pictures ?? [],
      write: async (kind, step, says) => {
        if (me === null) return;
        await write(job, build.revision, build.last, kind, step, says, me);
        await client.invalidateQueries({ queryKey: outboxKey });
        again((n) => n + 1);
      },
      picture: async (component, blob) => {
        const sha = await keepPicture(job, component, blob);
        await client.invalidateQueries({ queryKey: outboxKey });
        return sha;
      },
      again: () => again((n) => n + 1),
    };
  }, [build, waiting, outbox.data?.pictures, query.data?.keptAt, me, client, job, outboxKey]);
  return { hold, error: query.error, refetch: () => void query.refetch() };
}
