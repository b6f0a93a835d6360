import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, unwrap, type Answer, type JobDocument } from '../api/client';

/** What people have set and what surrounds the rig. */
export interface Setting {
  controls: Record<string, string>;
  surroundings: Record<string, string>;
}

/** Loads of a scenario that this view still has. */
export function runningIn(document: JobDocument, answer: Answer, scenario: string | null): string[] {
  const circuits = new Set(answer.table.map((r) => r.circuit));
  const running = scenario ? (document.needs.scenarios?.[scenario]?.running ?? {}) : {};
  return Object.keys(running)
    .filter((load) => circuits.has(answer.loads[load] ?? ''))
    .sort();
}

/** A setting as the server settles it: paint, story, hazards of that state, load flow. */
export function useSettled(job: number, revision: number, view: string, setting: Setting | null, running: string[]) {
  return useQuery({
    queryKey: ['settled', job, revision, view, setting, running],
    enabled: setting !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    queryFn: async () =>
      unwrap(
        await api.POST('/jobs/{job}/states', {
          params: { path: { job } },
          body: { view, revision, running, ...setting! },
        }),
      ),
  });
}

type Settled = NonNullable<ReturnType<typeof useSettled>['data']>;

/** An answer with what a setting is settled to put in its place: a state of its own, or figures of a named one. */
export function seenAs(answer: Answer, settled: Settled, at: string, own: boolean, scenario: string | null): Answer {
  const { flow, paint } = settled;
  const kept = own ? {} : answer.amps[at]?.[scenario ?? ''];
  return {
    ...answer,
    paint: { ...answer.paint, ...(own ? { [at]: paint } : {}) },
    amps: flow.trouble
      ? answer.amps
      : { ...answer.amps, [at]: { ...answer.amps[at], [scenario ?? '']: { ...kept, ...flow.amps } } },
  };
}
