import { useQuery } from '@tanstack/react-query';
import { Checkbox, Form, InputNumber, Modal, Radio, Select } from 'antd';
import { Fragment, useMemo, useState } from 'react';
import type { Component, Reference } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { Waiting } from '../ui/Waiting';
import { AdditionForm } from './AdditionForm';
import { filledWords, kindsWith, named, neededOffGrid, wrongCharger, writtenTo, type Options } from './arrangement';
import { ArrangeFoot } from './ArrangeFoot';
import { OptionItem } from './Asked';
import { t } from '../words/t';
import './plan.css';
import './ArrangementDialog.css';

export interface Props {
  hold: DesignHold;
  plan: string | null;
  close: () => void;
  open: (viewId: string) => void;
}

/** What is decided first; everything else is folded away with what will be assumed. */
const FIRST = ['circuit', 'converter', 'parallel', 'dcRunM', 'fuseRunM'];

/** Choosing how the inverter meets the factory wiring: what must be decided first, the rest with what is assumed. */
export function ArrangementDialog({ hold, plan, close, open }: Props) {
  const reference = useQuery(referenceQuery).data;
  return (
    <Modal
      open
      onCancel={close}
      width={1040}
      style={{ top: 32 }}
      title={t('plan.howTheInverterMeetsThe')}
      footer={null}
    >
      {reference ? (
        <Arranging hold={hold} plan={plan} close={close} open={open} reference={reference} />
      ) : (
        <Waiting what={t('plan.arrangements')} />
      )}
    </Modal>
  );
}

/** All recipes at one side, what the chosen one asks and risks at the other. */
function Arranging({ reference, ...rest }: Props & { reference: Reference }) {
  const { document } = rest.hold.design;
  const current = rest.plan ? document.plans[rest.plan] : undefined;
  const [recipe, setRecipe] = useState(current?.arrangement?.recipe ?? 'subpanel');
  const chosen = reference.arrangements.find((a) => a.id === recipe)!;
  const has = (id: string) => current?.additions?.[id] !== undefined;
  return (
    <div className="arrange">
      <div className="arrangements" role="radiogroup" aria-label={t('plan.arrangement')}>
        {reference.arrangements.map((a, i) => (
          <Fragment key={a.id}>
            {a.family !== 'inverter' && reference.arrangements[i - 1]?.family === 'inverter' && (
              <h3 className="beside">{t('plan.besideIt')}</h3>
            )}
            <button
              type="button"
              role="radio"
              aria-checked={a.id === recipe}
              className="arrangement"
              onClick={() => setRecipe(a.id)}
            >
              <b>
                {a.title}
                {has(a.id) && <span className="quiet"> {t('plan.inThisPlan')}</span>}
              </b>
              <span>{a.gains}</span>
            </button>
          </Fragment>
        ))}
      </div>
      {chosen.family === 'inverter' ? (
        <Choosing {...rest} reference={reference} recipe={recipe} />
      ) : (
        <AdditionForm key={recipe} {...rest} reference={reference} arrangement={chosen} />
      )}
    </div>
  );
}

function Choosing({ hold, plan, close, open, reference, recipe }: Props & { reference: Reference; recipe: string }) {
  const document = hold.design.document;
  const components = document.asFound.components as Record<string, Component>;
  const current = plan ? document.plans[plan]?.arrangement : undefined;
  // A plan nobody has touched is simply written; one that has a history is left as it is.
  const untouched = plan !== null && Object.keys(document.plans[plan]?.changes ?? {}).length === 0;
  const [fresh, setFresh] = useState(!untouched);
  const [title, setTitle] = useState('');
  const arrangement = reference.arrangements.find((a) => a.id === recipe)!;
  const used = useMemo(() => (current?.options ?? {}) as Options, [current]);
  const [form] = Form.useForm<Options>();
  const units = kindsWith(arrangement.units, recipe === current?.recipe ? used : {}, 2);
  const batteries = kindsWith(reference.batteries, used, 2);
  const [unit, setUnit] = useState(units.chosen);
  const [battery, setBattery] = useState(batteries.chosen);
  // Whatever lands somewhere; what feeds more than a converter is no branch circuit.
  const circuits = Object.entries(components).filter(([, c]) => {
    const fed = (c.feeds as { at?: string } | undefined)?.at;
    return c.type === 'circuit' && (fed === undefined || components[fed]?.type === 'converter');
  });
  const [fed, setFed] = useState<string[]>(() => {
    const before = Object.entries((used.circuits ?? {}) as Record<string, boolean>).filter(([, on]) => on);
    return before.length > 0 ? before.map(([id]) => id) : neededOffGrid(document);
  });
  const [trouble, setTrouble] = useState<string[]>([]);
  const unitKind = units.kinds.find((u) => u.id === unit) ?? units.kinds.find((u) => u.id === units.chosen)!;
  const batteryKind = batteries.kinds.find((b) => b.id === battery)!;
  const filled = { ...unitKind.values, ...batteryKind.values };
  const fates = arrangement.options.converter?.choices ?? {};
  const fate = Form.useWatch('converter', form) as string | undefined;
  const charger = wrongCharger(components, batteryKind.values.chemistry, fate);
  const hasConverter = Object.values(components).some((c) => c.type === 'converter');
  const folded = Object.entries(arrangement.options).filter(
    ([name]) => name !== 'circuits' && !FIRST.includes(name) && !(name in filled),
  );

  const finish = async (values: Options) => {
    setTrouble([]);
    if (recipe === 'subpanel' && fed.length === 0) return setTrouble([t('plan.chooseAtLeastOneCircuit')]);
    const said = Object.fromEntries(
      Object.entries({ ...filled, ...values }).filter(
        ([name, v]) => v !== undefined && v !== null && v !== '' && name in arrangement.options,
      ),
    );
    if (!hasConverter) said.converter = 'left';
    if (recipe === 'subpanel') said.circuits = Object.fromEntries(fed.map((id) => [id, true]));
    const id = writtenTo(plan, fresh, document);
    const intent = {
      kind: 'choose_arrangement',
      plan: id,
      recipe,
      options: said,
      ...(fresh ? { title: title.trim() || named(arrangement.title, document) } : {}),
    };
    if (await hold.edit(intent as never, (problems) => setTrouble(problems.map((p) => p.message)))) {
      const stages = Object.keys(document.plans[id]?.stages ?? { whole: 1 });
      open(`${id}/${stages.at(-1)}`);
      close();
    }
  };
  return (
    <Form
      form={form}
      layout="vertical"
      onFinish={(v) => void finish(v)}
      initialValues={{ parallel: 2, ...used }}
      requiredMark={false}
    >
      <div className="arrange-details">
        <p className="risk">
          <b>{t('plan.whatGoesWrongWithIt')}</b> {arrangement.risks}
        </p>
        {recipe === 'subpanel' && (
          <fieldset className="choices">
            <legend>
              {t('plan.circuitsTheInverterFeeds')} <span className="quiet">{t('plan.neededOffGridAreTicked')}</span>
            </legend>
            <Checkbox.Group
              className="circuit-choice"
              value={fed}
              onChange={(v) => setFed(v)}
              options={circuits.map(([value, c]) => ({ value, label: c.label }))}
            />
          </fieldset>
        )}
        {arrangement.options.circuit && (
          <Form.Item
            name="circuit"
            label={arrangement.options.circuit.label}
            rules={[{ required: true, message: t('plan.sayWhichCircuit') }]}
          >
            <Select
              options={circuits
                .filter(([, c]) => (c.hot as { panel?: string }).panel && !c.feeds)
                .map(([value, c]) => ({ value, label: c.label }))}
            />
          </Form.Item>
        )}
        {hasConverter && (
          <Form.Item
            name="converter"
            label={t('plan.theFactoryConverter')}
            // What was said for another arrangement may be no choice here.
            rules={[{ type: 'enum', required: true, enum: Object.keys(fates), message: t('plan.sayWhatBecomesOfIt') }]}
            extra={
              charger && (
                <span className="asked-back">
                  {t('plan.andTheNewBatteryIs', {
                    which:
                      charger.profile === undefined
                        ? t('plan.nobodyHasSaidWhatCharges', { label: charger.label })
                        : t('plan.chargesWithAProfile', { label: charger.label, profile: String(charger.profile) }),
                  })}
                </span>
              )
            }
          >
            <Radio.Group
              className="fates"
              options={Object.entries(fates).map(([value, label]) => ({ value, label }))}
            />
          </Form.Item>
        )}
        <div className="option-grid">
          <Form.Item label={t('plan.unit')}>
            <Select
              aria-label={t('plan.unit')}
              value={unitKind.id}
              onChange={(v) => setUnit(v)}
              options={units.kinds.map((u) => ({ value: u.id, label: u.title }))}
            />
          </Form.Item>
          <Form.Item label={t('plan.battery')}>
            <Select
              aria-label={t('plan.battery')}
              value={battery}
              onChange={(v) => setBattery(v)}
              options={batteries.kinds.map((b) => ({ value: b.id, label: b.title }))}
            />
          </Form.Item>
          <Form.Item
            name="parallel"
            label={
              Number(batteryKind.values.series ?? 1) > 1 ? t('plan.stringsSideBySide') : t('plan.howManySideBySide')
            }
          >
            <InputNumber min={1} max={6} />
          </Form.Item>
          {['dcRunM', 'fuseRunM'].map((name) => (
            <OptionItem
              key={name}
              name={name}
              field={arrangement.options[name]!}
              components={components}
              reference={reference}
            />
          ))}
        </div>
        <details className="folded">
          <summary>{t('plan.everythingElseWithWhatIs')}</summary>
          <p className="quiet">{t('plan.fromTheUnitAndThe', { filled: filledWords(filled, arrangement.options) })}</p>
          <div className="option-grid">
            {folded.map(([name, field]) => (
              <OptionItem key={name} name={name} field={field} components={components} reference={reference} />
            ))}
          </div>
        </details>
        {trouble.length > 0 && (
          <p className="wrong" role="alert">
            {trouble.join(' ')}
          </p>
        )}
        <ArrangeFoot
          plan={plan}
          document={document}
          fresh={fresh}
          setFresh={setFresh}
          title={title}
          setTitle={setTitle}
          usual={named(arrangement.title, document)}
          saving={hold.saving}
        />
      </div>
    </Form>
  );
}
