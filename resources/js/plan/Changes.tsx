import { useQuery } from '@tanstack/react-query';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { uuid } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { PartDrawer } from '../parts/PartDrawer';
import { inOrder, plannedParts } from '../parts/planned';
import { useUnits } from '../shell/units';
import { changeWords } from '../ui/spoken';
import { t } from '../words/t';
import './plan.css';
import './Changes.css';

/** A plan's changes by stage, each taken out or put into another stage; every stage is proven by itself. */
export function Changes({
  hold,
  plan,
  mayPlan,
  open,
  look,
}: {
  hold: DesignHold;
  plan: string;
  mayPlan: boolean;
  /** opens a part where it is named */
  open: (part: string) => void;
  /** goes to another view of the job */
  look: (view: string) => void;
}) {
  const [fitting, setFitting] = useState<string | null>(null);
  const [title, setTitle] = useState('');
  const forms = useQuery(referenceQuery).data?.forms;
  const units = useUnits();
  const entry = hold.design.document.plans[plan];
  if (!entry) return null;
  const stages = Object.entries(entry.stages).sort((a, b) => (a[1].order ?? 0) - (b[1].order ?? 0));
  const changes = inOrder(entry);
  const planned = plannedParts(hold.design.document, plan);
  // What is taken out keeps its name.
  const part = (id: string) => planned[id] ?? hold.design.document.asFound.components[id];
  const label = (id: string) => part(id)?.label ?? id;
  const another = async () => {
    const id = `plan_${uuid().slice(0, 6)}`;
    const intent = { kind: 'add_plan', id, title: t('plan.anotherWay', { title: entry.title }), from: plan };
    if (await hold.edit(intent as never)) look(`${id}/${stages.at(-1)?.[0]}`);
  };
  return (
    <div className="changes" tabIndex={0} role="region" aria-label={t('plan.changesOfThePlan')}>
      {stages.map(([stageId, stage]) => (
        <section key={stageId}>
          <h2>{stage.title}</h2>
          <ol>
            {changes
              .filter(([, c]) => c.stage === stageId)
              .map(([id, c]) => (
                <li key={id}>
                  <span className={`op op-${c.op}`}>
                    {{ fit: t('plan.fit'), remove: t('plan.takeOut'), move: t('plan.move'), set: t('plan.set') }[c.op]}
                  </span>
                  <span>
                    <button
                      type="button"
                      className="linklike"
                      disabled={!mayPlan || !planned[c.target]}
                      onClick={() => open(c.target)}
                    >
                      {label(c.target)}
                    </button>{' '}
                    {c.path && (
                      <span className="quiet">{changeWords(forms, part(c.target)?.type ?? '', c, units, label)}</span>
                    )}
                    {c.by === 'hand' && <span className="byhand">{t('plan.byHand')}</span>}
                    {c.why && <span className="quiet"> · {c.why}</span>}
                  </span>
                  {mayPlan && (
                    <span className="change-tools">
                      {stages.length > 1 && (
                        <Select
                          size="small"
                          aria-label={t('plan.stageOf', { target: label(c.target) })}
                          value={c.stage}
                          options={stages.map(([value, s]) => ({ value, label: s.title }))}
                          onChange={(to) =>
                            void hold.edit({ kind: 'stage_change', plan, change: id, stage: to } as never)
                          }
                        />
                      )}
                      <Button
                        size="small"
                        onClick={() => void hold.edit({ kind: 'drop_change', plan, change: id } as never)}
                      >
                        {c.was === undefined ? t('plan.drop') : t('plan.reset')}
                      </Button>
                    </span>
                  )}
                </li>
              ))}
          </ol>
        </section>
      ))}
      {mayPlan && (
        <div className="add-stage">
          <Select
            aria-label={t('plan.kindOfPartToFit')}
            placeholder={t('plan.fitAPartByHand')}
            value={null}
            showSearch={{ optionFilterProp: 'label' }}
            onChange={(v) => setFitting(v)}
            options={Object.keys(forms ?? {}).map((value) => ({ value, label: value.replaceAll('_', ' ') }))}
          />
          <Button onClick={() => void another()}>{t('plan.beginAnotherPlanFromThis')}</Button>
        </div>
      )}
      {fitting && <PartDrawer hold={hold} plan={plan} id={null} type={fitting} close={() => setFitting(null)} />}
      {mayPlan && (
        <form
          className="add-stage"
          onSubmit={(e) => {
            e.preventDefault();
            const id = `s_${title
              .toLowerCase()
              .replace(/[^a-z0-9]+/g, '_')
              .slice(0, 30)}_${stages.length + 1}`;
            if (title.trim() !== '')
              void hold
                .edit({ kind: 'add_stage', plan, id, title: title.trim() } as never)
                .then((ok) => ok && setTitle(''));
          }}
        >
          <Input
            aria-label={t('plan.titleOfANewStage')}
            placeholder={t('plan.aStageThatIsUsed')}
            value={title}
            onChange={(e) => setTitle(e.target.value)}
            maxLength={120}
          />
          <Button htmlType="submit">{t('plan.addAStage')}</Button>
        </form>
      )}
    </div>
  );
}
