import { useQueries } from '@tanstack/react-query';
import { api, unwrap, type Answer, type Design } from '../api/client';
import type { DesignHold } from '../job/useDesign';
import { useUnits } from '../shell/units';
import { ownFindings } from './findings';
import { t } from '../words/t';
import './plan.css';
import './PlansTable.css';

const WAYS: [string, string][] = [
  ['always', t('plan.alwaysOrWithoutAnybodyDoing')],
  ['slips', t('plan.afterOneOrTwoSlips')],
  ['remote', t('plan.remoteOrOnlyPassing')],
];

/** Two to four plans of a job beside what was found: the same questions asked of each. */
export function PlansTable({ hold, open }: { hold: DesignHold; open: (view: string) => void }) {
  const units = useUnits();
  const plans = hold.design.views.filter((v) => v.plan === null || v.last).slice(0, 5);
  const job = hold.design.id;
  const missing = useQueries({
    queries: plans.map((v) => ({
      queryKey: ['answer', job, v.hash],
      enabled: hold.design.answers[v.hash] === undefined,
      staleTime: Infinity,
      queryFn: async () => {
        const got: Design = unwrap(
          await api.GET('/jobs/{job}', {
            params: { path: { job }, query: { want: v.id, revision: hold.design.revision } },
          }),
        );
        return got.answers[v.hash] ?? null;
      },
    })),
  });
  const answers = plans.map((v, i) => hold.design.answers[v.hash] ?? missing[i]?.data ?? undefined);
  const cell = (f: (a: Answer) => React.ReactNode) =>
    plans.map((v, i) => <td key={v.id}>{answers[i] ? f(answers[i]) : <span className="quiet">…</span>}</td>);
  const needed = Object.keys(hold.design.document.needs.offGrid ?? {});
  const inverting = (a: Answer) => a.states.filter((s) => s.about === 'inverting').map((s) => s.id);
  const served = (a: Answer) => a.table.filter((r) => inverting(a).some((s) => r.cells[s]?.kind === 'works'));
  const count = (a: Answer, severity: string, ways: string) =>
    ownFindings(a).filter(
      (f) =>
        f.severity === severity &&
        (ways === 'slips'
          ? f.ways.kind === 'slips'
          : ways === 'remote'
            ? f.ways.kind === 'remote' || f.ways.kind === 'passing'
            : f.ways.kind === 'always' || f.ways.kind === 'outage'),
    ).length;
  const counted = (severity: 'danger' | 'warning') =>
    WAYS.map(([ways, words]) => (
      <tr key={severity + ways}>
        <th scope="row">
          {severity === 'danger' ? t('plan.dangers') : t('plan.warnings')}, {words}
        </th>
        {cell((a) => {
          const n = count(a, severity, ways);
          return n === 0 ? (
            <span className="quiet">{t('plan.none')}</span>
          ) : (
            <b className={`figures ${severity === 'danger' ? 'is-danger' : ''}`}>{n}</b>
          );
        })}
      </tr>
    ));
  return (
    <div className="plans-frame" tabIndex={0} role="region" aria-label={t('plan.plansComparedScrollable')}>
      <table className="live plans">
        <caption>{t('plan.plansCompared')}</caption>
        <thead>
          <tr>
            <th scope="col">
              <span className="sr">{t('plan.question')}</span>
            </th>
            {plans.map((v) => (
              <th key={v.id} scope="col">
                <button type="button" className="linklike" onClick={() => open(v.id)}>
                  {v.title}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {/* What decides first: what can hurt, and whether it does what it is for. */}
          {counted('danger')}
          <tr>
            <th scope="row">{t('plan.neededOffGridAndFed')}</th>
            {cell((a) => {
              const fed = new Set(served(a).map((r) => r.circuit));
              const lacking = needed.filter((c) => !fed.has(c));
              return (
                <>
                  <b className="figures">
                    {t('plan.of', { count: needed.length - lacking.length, count2: needed.length })}
                  </b>
                  {lacking.length > 0 && (
                    <small>{t('plan.not', { lacking: lacking.map((c) => a.labels[c] ?? c).join(', ') })}</small>
                  )}
                </>
              );
            })}
          </tr>
          <tr>
            <th scope="row">{t('plan.circuitsOnTheInverter')}</th>
            {cell((a) => (
              <>
                <b className="figures">{served(a).length}</b>
                <small>
                  {served(a)
                    .map((r) => r.label)
                    .join(', ')}
                </small>
              </>
            ))}
          </tr>
          <tr>
            <th scope="row">{t('plan.leftToSomebodysMemory')}</th>
            {cell((a) => {
              const slips = ownFindings(a).filter((f) => f.ways.kind === 'slips' && f.ways.pairs[0]?.slips === 1);
              return slips.length === 0 ? (
                <span className="quiet">{t('plan.nothing2')}</span>
              ) : (
                <small>{slips.map((f) => f.title).join('; ')}</small>
              );
            })}
          </tr>
          <tr>
            <th scope="row">{t('plan.madeImpossibleByHardware')}</th>
            {cell((a) => {
              const firm = a.prevented.filter((p) => p.proven && p.undoneBy.length === 0).length;
              return (
                <>
                  <b className="figures">{a.prevented.length}</b>
                  {a.prevented.length > 0 && <small>{t('plan.ofThemSurviveAnySingle', { firm })}</small>}
                </>
              );
            })}
          </tr>
          {counted('warning')}
          <tr>
            <th scope="row">{t('plan.partsFittedTakenOut')}</th>
            {plans.map((v) => {
              const changes = Object.values(v.plan ? (hold.design.document.plans[v.plan]?.changes ?? {}) : {});
              const n = (op: string) => changes.filter((c) => c.op === op).length;
              return (
                <td key={v.id} className="figures">
                  {v.plan ? `${n('fit')}, ${n('remove')}` : '–'}
                </td>
              );
            })}
          </tr>
          <tr>
            <th scope="row">{t('plan.weightAgainstAsFound')}</th>
            {plans.map((v, i) => {
              const [mine, found] = [answers[i]?.weight, answers[0]?.weight];
              if (!mine || !found) return <td key={v.id}>…</td>;
              const kg = mine.kg - found.kg;
              return (
                <td key={v.id}>
                  {v.plan === null ? (
                    '–'
                  ) : Math.abs(kg) < 0.3 ? (
                    <span className="is-assumed">{t('plan.theSame')}</span>
                  ) : (
                    <span className="is-assumed figures" title={mine.words}>
                      ~{kg > 0 ? '+' : '−'}
                      {units.weight(Math.abs(kg))}
                    </span>
                  )}
                </td>
              );
            })}
          </tr>
          <tr>
            <th scope="row">{t('plan.statesChecked')}</th>
            {cell((a) => (
              <span className="figures">{a.checked.words}</span>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}
