import { queryOptions, useIsMutating, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  api,
  ApiError,
  unwrap,
  uuid,
  type Answer,
  type Design,
  type Intent,
  type Problem,
  type View,
} from '../api/client';
import { patiently, type Held } from './patiently';
import { t } from '../words/t';

export const referenceQuery = queryOptions({
  queryKey: ['reference'],
  staleTime: Infinity,
  queryFn: async () => unwrap(await api.GET('/reference')),
});

/** The view looked at: as asked, else the last stage of the first plan, which is what one came for. */
export function openView(views: View[], asked: string): string {
  if (views.some((v) => v.id === asked)) return asked;
  return views.find((v) => v.plan !== null && v.last)?.id ?? 'as_found';
}

export interface DesignHold {
  design: Design;
  saving: boolean;
  /** a change of one's own that is not stored yet */
  held: Held | null;
  conflict: ApiError | null;
  dismissConflict: () => void;
  /** makes one's own change again, over what the other did */
  insist: () => Promise<boolean>;
  view: (id: string) => View | undefined;
  answer: (viewId: string) => Answer | undefined;
  /** `refused` is told what is wrong, where the place that asked shows it itself */
  edit: (intent: Intent, refused?: (problems: Problem[]) => void) => Promise<boolean>;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  restore: (revision: number) => Promise<void>;
  take: (design: Design) => void;
  /** brings in what others have done since */
  catchUp: () => Promise<void>;
}

/**
 * A job's design and its answers: reads it, posts intents one after the other, keeps answers by
 * hash so that only what changed travels.
 */
export function useDesign(
  id: number,
  asked: string,
): { hold: DesignHold | null; error: Error | null; refetch: () => void } {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [conflict, setConflict] = useState<ApiError | null>(null);
  const [held, setHeld] = useState<Held | null>(null);
  const mutationKey = useMemo(() => ['job', id], [id]);
  const unsaved = useIsMutating({ mutationKey }) > 0;
  useEffect(() => {
    if (!unsaved) return;
    const stay = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', stay);
    return () => window.removeEventListener('beforeunload', stay);
  }, [unsaved]);
  const mine = useRef<Intent | null>(null);
  const key = useMemo(() => ['design', id], [id]);
  const views = client.getQueryData<Design>(key)?.views;
  const open = views ? openView(views, asked) : asked;
  const viewIds = useMemo(() => [...new Set(['as_found', open].filter(Boolean))], [open]);

  const query = useQuery({
    queryKey: key,
    staleTime: Infinity,
    queryFn: async () => {
      const read = unwrap(
        await api.GET('/jobs/{job}', { params: { path: { job: id }, query: { want: viewIds.join(',') } } }),
      );
      // An edit that was stored meanwhile is newer.
      const now = client.getQueryData<Design>(key);
      return now && now.revision > read.revision ? now : read;
    },
  });

  const take = useCallback(
    (next: Design) => {
      client.setQueryData<Design>(key, (old) => {
        const wanted = new Set(next.views.map((v) => v.hash));
        const kept = Object.fromEntries(Object.entries(old?.answers ?? {}).filter(([hash]) => wanted.has(hash)));
        return { ...next, answers: { ...kept, ...next.answers } };
      });
    },
    [client, key],
  );

  const current = useCallback(() => client.getQueryData<Design>(key), [client, key]);

  // One after the other, however fast they come; what waits for a connection is held by `patiently`.
  const { mutateAsync } = useMutation({
    mutationKey,
    scope: { id: `job ${id}` },
    networkMode: 'always',
    mutationFn: (work: () => Promise<void>) => work(),
  });
  const queue = useCallback(
    async (work: () => Promise<void>, refused?: (problems: Problem[]) => void): Promise<boolean> => {
      try {
        await mutateAsync(work);
        return true;
      } catch (e) {
        if (e instanceof ApiError && e.status === 409) setConflict(e);
        else if (e instanceof ApiError && refused && e.problems.length > 0) refused(e.problems);
        else if (e instanceof ApiError && e.status < 500)
          void message.error(e.problems.length > 0 ? e.problems.map((p) => p.message).join(' ') : e.message, 7);
        else void message.error(t('job.youDroppedTheChangeIt'), 7);
        return false;
      }
    },
    [message, mutateAsync],
  );

  const edit = useCallback(
    async (intent: Intent, refused?: (problems: Problem[]) => void) => {
      const mark = uuid();
      return queue(async () => {
        const now = current();
        mine.current = intent;
        const body = {
          uuid: mark,
          base: now?.revision ?? 1,
          intent,
          want: viewIds,
          have: Object.keys(now?.answers ?? {}),
        };
        const next = await patiently(
          async () => unwrap(await api.POST('/jobs/{job}/edits', { params: { path: { job: id } }, body })),
          setHeld,
        );
        take(next);
        for (const notice of next.notices) void message.info(notice, 6);
      }, refused);
    },
    [queue, current, viewIds, id, take, message],
  );

  const undoing = useCallback(
    async (how: { restore?: number; redo?: boolean } = {}) => {
      const mark = uuid();
      await queue(async () => {
        const body = {
          uuid: mark,
          want: viewIds,
          have: Object.keys(current()?.answers ?? {}),
          ...how,
        };
        const next = await patiently(
          async () => unwrap(await api.POST('/jobs/{job}/undo', { params: { path: { job: id } }, body })),
          setHeld,
        );
        take(next);
        void message.success(next.words.charAt(0).toUpperCase() + next.words.slice(1), 3);
      });
    },
    [queue, viewIds, current, id, take, message],
  );

  const catchUp = useCallback(async () => {
    const now = current();
    const next = unwrap(
      await api.GET('/jobs/{job}', {
        params: {
          path: { job: id },
          query: { want: viewIds.join(','), have: Object.keys(now?.answers ?? {}).join(',') },
        },
      }),
    );
    // An edit of one's own may have come back meanwhile and be newer.
    if (next.revision >= (current()?.revision ?? 0)) take(next);
  }, [current, id, viewIds, take]);

  // Views looked at for the first time bring their answers along.
  const design = query.data;
  const missing = (design?.views ?? [])
    .filter((v) => viewIds.includes(v.id) && !design?.answers[v.hash])
    .map((v) => v.id);
  useQuery({
    queryKey: ['answers', id, design?.revision, missing.join(',')],
    enabled: design !== undefined && missing.length > 0,
    queryFn: async () => {
      const more = unwrap(
        await api.GET('/jobs/{job}', {
          params: { path: { job: id }, query: { want: missing.join(','), revision: design!.revision } },
        }),
      );
      client.setQueryData<Design>(key, (old) =>
        old ? { ...old, answers: { ...old.answers, ...more.answers } } : more,
      );
      return true;
    },
  });

  const hold = useMemo<DesignHold | null>(() => {
    if (!design) return null;
    const view = (viewId: string) => design.views.find((v) => v.id === viewId);
    return {
      design,
      saving: unsaved,
      held,
      conflict,
      dismissConflict: () => {
        setConflict(null);
        void query.refetch();
      },
      view,
      answer: (viewId) => {
        const v = view(viewId);
        return v ? design.answers[v.hash] : undefined;
      },
      edit,
      insist: async () => {
        const intent = mine.current;
        setConflict(null);
        await catchUp();
        return intent === null ? false : edit(intent);
      },
      undo: () => undoing(),
      redo: () => undoing({ redo: true }),
      restore: (revision) => undoing({ restore: revision }),
      take,
      catchUp,
    };
  }, [design, unsaved, held, conflict, edit, undoing, take, catchUp, query]);

  // What cannot be read again for now stays as it is, with all that is typed in it; what is gone does not.
  const gone = query.error instanceof ApiError && [403, 404, 410].includes(query.error.status);
  return { hold, error: design === undefined || gone ? query.error : null, refetch: () => void query.refetch() };
}
