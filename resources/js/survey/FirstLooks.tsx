import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap, type Component, type Reference } from '../api/client';
import { placeOf } from '../ui/spoken';
import { Cell } from './Cell';
import { useSurvey } from './context';
import { shownAt } from './survey';
import { t } from '../words/t';
import './FirstLooks.css';

const FIRST = 5;

/** What to look at first: the assumptions that could flip a verdict or a size. */
export function FirstLooks({
  components,
  forms,
}: {
  components: Record<string, Component>;
  forms: Reference['forms'];
}) {
  const { hold } = useSurvey();
  const [all, setAll] = useState(false);
  const { id, revision } = hold.design;
  const looks = useQuery({
    queryKey: ['looks', id, revision],
    queryFn: async () => unwrap(await api.GET('/jobs/{job}/looks', { params: { path: { job: id } } })),
    placeholderData: (before) => before,
    refetchInterval: (query) => (query.state.data?.status === 'working' ? 1500 : false),
  });
  // What was confirmed meanwhile is gone from the list before the ranking is new.
  const ranked = (looks.data?.looks ?? []).flatMap((look) => {
    const part = components[look.component];
    const shown = part && shownAt(forms[part.type]?.fields ?? {}, part, look.what);
    const raw = shown?.raw as { basis?: string } | undefined;
    return part && shown && raw?.basis === 'assumed' ? [{ look, part, shown }] : [];
  });
  const heavy = ranked.filter((r) => r.look.weight > 0);
  const idle = ranked.length - heavy.length;
  if (looks.data?.status === 'working' && ranked.length === 0)
    return (
      <section className="looks">
        <h1>{t('survey.lookAtTheseFirst')}</h1>
        <p className="quiet" role="status">
          {t('survey.tryingEachAssumptionAtWhat', { percent: looks.data.percent })}
        </p>
      </section>
    );
  if (ranked.length === 0) return null;
  return (
    <section className="looks" aria-label={t('survey.lookAtTheseFirst')}>
      <h1>{t('survey.lookAtTheseFirst')}</h1>
      <ol>
        {heavy.slice(0, all ? undefined : FIRST).map(({ look, part, shown }) => (
          <li key={look.component + look.what}>
            <span className="looks-what">
              <b>{part.label}</b> {placeOf(forms, part.type, look.what).words}
            </span>
            <Cell component={look.component} label={part.label} shown={shown} name={(i) => components[i]?.label ?? i} />
            <span className="looks-why">
              {look.flips.slice(0, 2).join('; ')}
              {look.flips.length > 2 && t('survey.andMore', { count: look.flips.length - 2 })}
              <small className="quiet"> {look.reason}</small>
            </span>
          </li>
        ))}
      </ol>
      <p className="quiet">
        {heavy.length > FIRST && (
          <button type="button" className="linklike" onClick={() => setAll(!all)}>
            {all ? t('survey.onlyTheFirst') : t('survey.moreThatCouldFlipSomething', { count: heavy.length - FIRST })}
          </button>
        )}
        {idle > 0 && t('survey.othersFlipNoVerdictAnd', { idle })}
      </p>
    </section>
  );
}
