import { useQuery } from '@tanstack/react-query';
import { App, Button, Select } from 'antd';
import { useMemo, useState } from 'react';
import type { Component } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery } from '../job/useDesign';
import { PartsContext } from '../parts/context';
import { PartDrawer } from '../parts/PartDrawer';
import { assumedCount } from '../parts/values';
import { useMe } from '../shell/Session';
import { Cautions } from '../ui/Cautions';
import { Term } from '../ui/Term';
import { Waiting } from '../ui/Waiting';
import { BaselinePanel } from './BaselinePanel';
import { FoundWires } from './FoundWires';
import { SurveyContext } from './context';
import { FirstLooks } from './FirstLooks';
import { NeedsPanel } from './NeedsPanel';
import { QuickEntry } from './QuickEntry';
import { Start } from './Start';
import { circuitsOf, confirmation } from './survey';
import { CircuitTable, DcTable, PartTable } from './tables';
import { WalkRound } from './WalkRound';
import { t } from '../words/t';
import './SurveyPlace.css';

const GROUPS: [string, string[]][] = [
  [t('survey.supply'), ['shore_supply', 'inlet', 'generator', 'surge_unit', 'double_male_cord']],
  [t('survey.switching'), ['transfer_switch', 'bypass', 'ac_switch', 'contactor']],
  [t('survey.panelsAndFeeders'), ['panel', 'feeder', 'splice_box', 'instruction']],
  [t('survey.inverterAndConverter'), ['inverter', 'inverter_charger', 'converter']],
  [
    t('survey.chargingOnTheRoad'),
    ['alternator', 'tow_plug', 'dcdc_charger', 'solar_charger', 'side_inlet', 'separator', 'battery_selector'],
  ],
  [
    t('survey.batteryAndItsCables'),
    [
      'battery_bank',
      'dc_fuse',
      'dc_switch',
      'cut_off',
      'shunt',
      'bus_bar',
      'dc_panel',
      'dc_load',
      'lead',
      'frame_bond',
    ],
  ],
];

/** The rig as found: from a factory layout, then only the differences. */
export default function SurveyPlace({ hold }: PlaceProps) {
  const components = hold.design.document.asFound.components as Record<string, Component>;
  const me = useMe();
  const { modal } = App.useApp();
  const [editing, setEditing] = useState<string | null>(null);
  const [adding, setAdding] = useState<string | null>(null);
  const [told, setTold] = useState(false);
  const reference = useQuery(referenceQuery);
  const forms = reference.data?.forms;
  const around = useMemo(() => ({ components, forms: forms ?? {}, self: null }), [components, forms]);
  const survey = useMemo(() => ({ hold, told, by: me?.name ?? '' }), [hold, told, me]);
  if (!reference.data || !forms) return <Waiting what={t('survey.surveyForms')} />;
  if (Object.keys(components).length === 0) return <Start hold={hold} />;
  const parts = Object.entries(components);
  const of = (types: string[]) => parts.filter(([, c]) => types.includes(c.type));
  const assumed = parts.reduce((n, [, c]) => n + assumedCount(c), 0);
  const direct = of(['dc_circuit']);
  const table = { components, forms, open: setEditing };
  const confirmAll = () =>
    modal.confirm({
      title: t('survey.allAsShown', { assumed }),
      content: t('survey.onlyWhenYouHaveLooked'),
      okText: t('survey.iHaveLookedAtAll'),
      onOk: () => hold.edit(confirmation(parts, me?.name ?? '', new Date()) as never),
    });
  return (
    <SurveyContext.Provider value={survey}>
      <PartsContext.Provider value={around}>
        <main className="page wide survey">
          <div className="survey-top">
            <p className="lede">
              {t('survey.readTheJacketMeasureAsk')} <span className="is-assumed">~</span> {t('survey.isOnly')}{' '}
              <Term>{t('survey.assumed')}</Term>
              {t('survey.itsTickSaysYouHave')}
            </p>
            <div className="choose" role="radiogroup" aria-label={t('survey.howWhatITypeIs')}>
              {[false, true].map((by) => (
                <button
                  key={String(by)}
                  type="button"
                  role="radio"
                  aria-checked={told === by}
                  onClick={() => setTold(by)}
                >
                  {by ? t('survey.iWasToldIt') : t('survey.iLookAtIt')}
                </button>
              ))}
            </div>
            {assumed > 0 && <Button onClick={confirmAll}>{t('survey.allAsShown2', { assumed })}</Button>}
          </div>
          {assumed > 0 && <FirstLooks components={components} forms={forms} />}
          <section>
            <h1>{t('survey.circuits')}</h1>
            <QuickEntry hold={hold} />
            <CircuitTable rows={circuitsOf(components)} {...table} />
          </section>
          <section>
            <h1>{t('survey.n12VCircuits')}</h1>
            <QuickEntry hold={hold} direct />
            {direct.length > 0 && <DcTable rows={direct} {...table} />}
          </section>
          {GROUPS.map(([title, types]) => {
            const rows = of(types);
            return (
              rows.length > 0 && (
                <section key={title}>
                  <h1>{title}</h1>
                  <PartTable title={title} rows={rows} {...table} />
                </section>
              )
            );
          })}
          <div className="add-part">
            <Select
              aria-label={t('survey.kindOfPartToAdd')}
              placeholder={t('survey.addAPartOfAnother')}
              showSearch={{ optionFilterProp: 'label' }}
              value={adding}
              onChange={(v) => setAdding(v)}
              options={Object.entries(forms).map(([value, f]) => ({ value, label: f.name }))}
            />
          </div>
          <WalkRound items={reference.data.walk} />
          <FoundWires hold={hold} />
          <BaselinePanel job={hold.design.id} revision={hold.design.revision} />
          <NeedsPanel hold={hold} />
          <Cautions />
          {editing && components[editing] && (
            <PartDrawer hold={hold} plan={null} id={editing} close={() => setEditing(null)} />
          )}
          {adding && <PartDrawer hold={hold} plan={null} id={null} type={adding} close={() => setAdding(null)} />}
        </main>
      </PartsContext.Provider>
    </SurveyContext.Provider>
  );
}
