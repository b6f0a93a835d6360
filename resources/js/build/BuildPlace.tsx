import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PlaceProps } from '../job/place';
import { useMe } from '../shell/Session';
import { Cautions } from '../ui/Cautions';
import { Failed, Waiting } from '../ui/Waiting';
import { t, type Key } from '../words/t';
import { Approve } from './Approve';
import { Built } from './Built';
import { Days } from './Days';
import { nextStep } from './fold';
import { LabelSheets } from './LabelSheets';
import { Materials } from './Materials';
import { OpenItems } from './OpenItems';
import { Outbox } from './Outbox';
import { Rope } from './Rope';
import { Sheets } from './Sheets';
import { StepCard } from './StepCard';
import { useBuild, type BuildHold } from './useBuild';
import { lasting, when } from './words';
import '../job/ViewSwitch.css';
import '../ui/Panel.css';
import './BuildPlace.css';

const PARTS = ['rope', 'days', 'sheets', 'material', 'labels', 'built', 'open'] as const;
type PartOf = (typeof PARTS)[number];

const TITLES: Record<PartOf, Key> = {
  rope: 'build.part_rope',
  days: 'build.part_days',
  sheets: 'build.part_sheets',
  material: 'build.part_material',
  labels: 'build.part_labels',
  built: 'build.part_built',
  open: 'build.part_open',
};

/** The work of the job: approved by a lead, then step by step down the rope. */
export default function BuildPlace({ hold: design, viewId }: PlaceProps) {
  const me = useMe();
  const plans = Object.entries(design.design.document.plans);
  const looked = design.view(viewId)?.plan ?? null;
  const [plan, choosePlan] = useState<string | null>(looked ?? plans[0]?.[0] ?? null);
  const [draft, setDraft] = useState(false);
  const [part, setPart] = useState<PartOf>('rope');
  const [approving, approve] = useState(false);
  const { hold, error, refetch } = useBuild(design.design.id, plan, draft);
  if (plans.length === 0) return <p className="page empty">{t('build.noPlan')}</p>;
  return (
    <main className="page wide build-page">
      <div className="plan-tools">
        {plans.length > 1 && (
          <label className="picker">
            {t('build.plan')}
            <select value={plan ?? ''} onChange={(e) => choosePlan(e.target.value)}>
              {plans.map(([id, p]) => (
                <option key={id} value={id}>
                  {p.title}
                </option>
              ))}
            </select>
          </label>
        )}
        <Segmented
          aria-label={t('build.parts')}
          value={part}
          onChange={(p) => setPart(p)}
          options={PARTS.map((p) => ({
            value: p,
            label: p === 'open' && hold ? t('build.part_openCount', { count: hold.build.open.length }) : t(TITLES[p]),
          }))}
        />
        <span className="spring" />
        {hold?.build.approval && (
          <Link className="at-rig-link" to={`/rig/${design.design.id}`}>
            {t('build.atTheRig')}
          </Link>
        )}
      </div>
      {error && !hold && <Failed error={error} again={refetch} />}
      {!hold && !error && <Waiting what={t('build.theWork')} />}
      {hold && (
        <>
          <Standing
            hold={hold}
            draft={draft}
            setDraft={setDraft}
            approve={me?.role === 'lead' ? () => approve(true) : null}
          />
          <Outbox hold={hold} short />
          <Part part={part} hold={hold} job={design.design.id} plan={plan} />
          {approving && (
            <Approve
              job={design.design.id}
              plan={hold.build.plan}
              revision={design.design.revision}
              title={hold.build.title}
              close={() => approve(false)}
              done={() => {
                approve(false);
                setDraft(false);
                refetch();
              }}
            />
          )}
        </>
      )}
      <Cautions />
    </main>
  );
}

function Part({ part, hold, job, plan }: { part: PartOf; hold: BuildHold; job: number; plan: string | null }) {
  switch (part) {
    case 'rope':
      return <Work hold={hold} />;
    case 'days':
      return <Days job={job} plan={plan} hold={hold} />;
    case 'sheets':
      return <Sheets hold={hold} />;
    case 'material':
      return <Materials hold={hold} />;
    case 'labels':
      return <LabelSheets job={job} plan={plan} hold={hold} />;
    case 'built':
      return <Built job={job} plan={plan} hold={hold} />;
    case 'open':
      return <OpenItems hold={hold} />;
  }
}

/** Whether it may be built: approved at a revision, changed since, or a draft. */
function Standing({
  hold,
  draft,
  setDraft,
  approve,
}: {
  hold: BuildHold;
  draft: boolean;
  setDraft: (on: boolean) => void;
  approve: (() => void) | null;
}) {
  const { build } = hold;
  const reopened = build.since.changed.length + build.since.gone.length;
  return (
    <section className={build.draft ? 'standing-note is-draft' : 'standing-note'}>
      <p>
        {build.draft ? (
          <b>{t('build.draftNote')}</b>
        ) : (
          <>
            <b>{t('build.approved', { revision: build.approval!.revision })}</b>{' '}
            {t('build.byAt', { by: build.approval!.by, at: when(build.approval!.at) })}
            {build.approval!.open.length > 0 && ` · ${t('build.openThen', { count: build.approval!.open.length })}`}
          </>
        )}
        {!build.draft && reopened > 0 && (
          <span className="turn">
            {' '}
            {t('build.changedSince', { head: build.head, count: reopened })}{' '}
            {build.since.changed
              .slice(0, 3)
              .map((c) => c.title)
              .join(', ')}
          </span>
        )}
      </p>
      <span className="spring" />
      {build.approval && (build.head !== build.approval.revision || draft) && (
        <Button onClick={() => setDraft(!draft)}>{draft ? t('build.seeApproved') : t('build.seeDraft')}</Button>
      )}
      {approve && (build.draft || reopened > 0) && build.steps.length > 0 && (
        <Button type="primary" onClick={approve}>
          {t('build.approveIt')}
        </Button>
      )}
    </section>
  );
}

/** The rope, and the step in hand beside it. */
function Work({ hold }: { hold: BuildHold }) {
  const [chosen, choose] = useState<string | null>(null);
  const { build, states } = hold;
  const open =
    chosen !== null && states[chosen] ? chosen : (nextStep(build.steps, states) ?? build.steps[0]?.id ?? null);
  const step = build.steps.find((s) => s.id === open);
  const now = build.steps.filter((s) => !s.later);
  const left = now.filter((s) => !['done', 'overridden', 'incomplete'].includes(states[s.id]!.status));
  // Whole minutes, as the days are laid out of.
  const hands = left.reduce((sum, s) => sum + Math.ceil(s.minutes.likely) * s.people, 0);
  const alone = left.reduce((sum, s) => sum + Math.trunc(s.unattendedMin), 0);
  if (build.steps.length === 0) return <p className="empty">{t('build.nothingToDo')}</p>;
  return (
    <div className="build-two">
      <section className="sheet-panel rope-panel">
        <div className="sheet-head">
          <h1>{t('build.theRope')}</h1>
          <span className="quiet">
            {t('build.ropeFacts', { done: now.length - left.length, count: now.length, hands: lasting(hands) })}
            {alone > 0 && ` · ${t('build.alone', { time: lasting(alone) })}`}
          </span>
        </div>
        <Rope build={build} states={states} open={open} choose={choose} />
      </section>
      {step && (
        <StepCard
          key={step.id}
          hold={hold}
          step={step}
          mayWrite={!build.draft}
          choose={choose}
          next={() => choose(null)}
        />
      )}
    </div>
  );
}
