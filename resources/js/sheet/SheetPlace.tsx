import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { api, unwrap, type Finding, type Reference } from '../api/client';
import { referenceQuery } from '../job/useDesign';
import { countOf, isOutside, ownFindings } from '../plan/findings';
import { plannedParts } from '../parts/planned';
import { useUnits } from '../shell/units';
import { Assumed } from '../ui/Assumed';
import { Cautions } from '../ui/Cautions';
import { Leaf } from '../ui/Leaf';
import { changeWords } from '../ui/spoken';
import { Failed, Waiting } from '../ui/Waiting';
import { engineHere } from '../wall/flow/engine';
import { useGeometry } from '../wall/useGeometry';
import { Wall } from '../wall/Wall';
import { Door } from './Door';
import { PhotoPages } from './PhotoPages';
import { t } from '../words/t';
import './SheetPlace.css';
import './sheet.css';

const OPS = { fit: t('sheet.fit'), remove: t('sheet.takeOut'), move: t('sheet.move'), set: t('sheet.set') };

const WIDTH = 980;

/** The plan on paper: what changes, the wall, what is live, findings, sizes, assumptions. */
export default function SheetPlace() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const viewId = search.get('view') ?? 'as_found';
  const revision = Number(search.get('revision')) || undefined;
  useEffect(() => {
    const theme = document.documentElement.dataset.theme;
    document.documentElement.dataset.theme = 'light';
    document.body.classList.add('on-paper', `paper-${search.get('paper') ?? 'letter'}`);
    return () => {
      document.documentElement.dataset.theme = theme ?? 'light';
      document.body.classList.remove('on-paper');
    };
  }, [search]);
  const query = useQuery({
    queryKey: ['sheet', id, viewId, revision],
    queryFn: async () =>
      unwrap(
        await api.GET('/jobs/{job}', {
          params: {
            path: { job: Number(id) },
            query: { want: `as_found,${viewId}`, ...(revision ? { revision } : {}) },
          },
        }),
      ),
  });
  const reference = useQuery(referenceQuery);
  const units = useUnits();
  const design = query.data;
  const view = design?.views.find((v) => v.id === viewId) ?? design?.views[0];
  const answer = view ? design?.answers[view.hash] : undefined;
  const before = design?.answers[design.views[0]?.hash ?? ''];
  const walls = useMemo(() => [before?.wall, answer?.wall].filter((w) => w !== undefined), [answer, before]);
  const geometry = useGeometry(walls, false, engineHere);
  if (query.isError) return <Failed error={query.error} again={() => void query.refetch()} />;
  if (!design || !answer || !view || !geometry || !reference.data) return <Waiting what={t('sheet.thePlanSheet')} />;
  const doc = design.document;
  const plan = view.plan ? doc.plans[view.plan] : undefined;
  const state = answer.states.find((s) => s.id === 'inverting')?.id ?? answer.states[0]!.id;
  const changes = Object.values(plan?.changes ?? {}).sort((a, b) => (a.order ?? 0) - (b.order ?? 0));
  const own = ownFindings(answer);
  const outside = answer.findings.filter(isOutside);
  const dangers = countOf(answer, 'danger');
  const forms = reference.data.forms;
  const types = {
    ...doc.asFound.components,
    ...Object.fromEntries(changes.filter((c) => c.op === 'fit').map((c) => [c.target, c.value])),
  } as Record<string, { type?: string }>;
  const parts = plannedParts(doc, view.plan);
  const label = (c: string) => answer.labels[c] ?? doc.asFound.components[c]?.label ?? c;
  return (
    <main className="sheet" data-ready="true">
      <header className="printed-head">
        <span className="brand">
          <Leaf /> {t('sheet.hollin')}
        </span>
        <div>
          <h1>{doc.title}</h1>
          <p>
            {view.title}
            {design.customer && t('sheet.for', { customer: design.customer })}
          </p>
        </div>
        <p className="figures">
          {t('sheet.revision', { revision: design.revision })}
          <br />
          {t('sheet.rules', { rules: answer.rules })}
        </p>
      </header>
      <button type="button" className="screen-only print-button" onClick={() => window.print()}>
        {t('sheet.print')}
      </button>
      <Cautions />
      {dangers > 0 && (
        <p className="sheet-danger">
          <b>{t('sheet.doNotBuildThisAs')}</b> {t('sheet.openBelow', { count: dangers })}
        </p>
      )}
      <Door answer={answer} parts={parts} />
      <section className="new-page">
        <h2>{t('sheet.theWall', { title: answer.states.find((s) => s.id === state)?.title })}</h2>
        <div
          className="sheet-wall"
          inert
          style={{ '--wall-w': Math.max(WIDTH, geometry.width) + 2 } as React.CSSProperties}
        >
          <Wall
            answer={answer}
            geometry={geometry}
            state={state}
            scenario={Object.keys(answer.scenarios)[0] ?? null}
            focus={null}
            chosen={null}
            onChoose={() => undefined}
            movable={false}
          />
        </div>
      </section>
      <section>
        <h2>{t('sheet.findings')}</h2>
        <p className="quiet">
          {t('sheet.settingsGoneThrough', { words: answer.checked.words, reduced: answer.checked.reduced })}
        </p>
        {answer.findings.length === 0 && <p>{t('sheet.nothingFoundInTheStates')}</p>}
        <FindingList findings={own} />
        {outside.length > 0 && (
          <>
            <h3>{t('sheet.atAPedestalThatIs')}</h3>
            <FindingList findings={outside} />
          </>
        )}
        {answer.prevented.length > 0 && (
          <>
            <h3>{t('sheet.madeImpossible')}</h3>
            <ul>
              {answer.prevented.map((p) => (
                <li key={p.rule + p.title}>
                  {p.title}: {p.words}
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      {answer.sizes.map((s) => (
        <section key={s.inverter}>
          <h2>{t('sheet.sizesTo', { bank: label(s.bank), inverter: label(s.inverter), school: s.school })}</h2>
          <table className="plain">
            <tbody>
              {s.figures.map((f) => (
                <tr key={f.label}>
                  <th scope="row">{f.label}</th>
                  <td className="figures">
                    {f.value.toFixed(1)} {f.unit}
                  </td>
                  <td>{f.arithmetic}</td>
                </tr>
              ))}
              {s.choices
                .filter((c) => c.possible)
                .map((c) => (
                  <tr key={c.parallel}>
                    <th scope="row">{c.parallel === 1 ? t('sheet.cable') : t('sheet.orTwoInParallel')}</th>
                    <td className="figures">{c.spoken}</td>
                    <td>{t('sheet.governs', { governs: c.governs, arithmetic: c.arithmetic })}</td>
                  </tr>
                ))}
              {s.fuse.families.map((f) => (
                <tr key={f.family}>
                  <th scope="row">{t('sheet.fuse', { label: f.label })}</th>
                  <td className="figures">{f.suits ? `${f.ratingA} A` : t('sheet.doesNotSuit')}</td>
                  <td>{f.why}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {s.fuse.interim && <p>{s.fuse.interim}</p>}
        </section>
      ))}
      {changes.length > 0 && (
        <section>
          <h2>{t('sheet.whatChanges')}</h2>
          <ol className="sheet-changes">
            {changes.map((c) => (
              <li key={c.op + c.target + (c.path ?? '')}>
                {OPS[c.op]} {label(c.target)}
                {c.path && `, ${changeWords(forms, types[c.target]?.type ?? '', c, units, label)}`}
                {c.why && ` (${c.why})`}
              </li>
            ))}
          </ol>
        </section>
      )}
      <PhotoPages job={Number(id)} label={(c) => walkTitle(c, reference.data) ?? label(c)} />
      <section>
        <h2>{t('sheet.assumedNotMeasured')}</h2>
        {answer.assumptions.length === 0 ? (
          <p>{t('sheet.nothing')}</p>
        ) : (
          <Assumed assumptions={answer.assumptions} forms={forms} />
        )}
      </section>
    </main>
  );
}

/** What a photograph of the walk round shows. */
function walkTitle(component: string, reference: Reference): string | undefined {
  return reference.walk.find((item) => `walk.${item.id}` === component)?.title;
}

function FindingList({ findings }: { findings: Finding[] }) {
  return (
    <ul className="sheet-findings">
      {findings.map((f) => (
        <li key={f.id} className={`sev-edge-${f.severity}`}>
          <b>
            {f.severity.toUpperCase()} · {f.title}
          </b>{' '}
          <i>({f.ways.words})</i>
          <br />
          {f.text}
          {f.figures.map((g) => (
            <span key={g.label} className="sheet-figure">
              {g.label} {Math.round(g.value * 100) / 100} {g.unit} = {g.arithmetic}
              {g.assumed && t('sheet.restsOnAnAssumedValue')}
            </span>
          ))}
          <span className="quiet"> {f.source}</span>
        </li>
      ))}
    </ul>
  );
}
