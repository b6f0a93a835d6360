import clsx from 'clsx';
import { Select } from 'antd';
import type { Component, Field } from '../api/client';
import { ends, fitting, useParts, type Surroundings } from './context';
import type { Values } from './Fields';
import { t } from '../words/t';
import './Landing.css';

/** Where one wire of a circuit lands. */
export interface Wire {
  panel?: string;
  slot?: number;
  half?: string;
  behind?: string;
  at?: string;
  port?: string;
}

type Kind = 'panel' | 'behind' | 'at';

const KINDS: [Kind, string][] = [
  ['panel', t('parts.onABreaker')],
  ['behind', t('parts.behindAnotherOutletsGfci')],
  ['at', t('parts.onEquipment')],
];

const kindOf = (w: Wire | undefined): Kind =>
  w?.behind !== undefined ? 'behind' : w?.at !== undefined ? 'at' : 'panel';

/** Where a wire lands, without slot: what hot and neutral have in common when they land together. */
const placeOf = (w: Wire | undefined): string => [w?.panel, w?.behind, w?.at, w?.port].join(' ');

/** The neutral that goes with a hot. */
export const together = (hot: Wire): Wire => (hot.panel !== undefined ? { panel: hot.panel } : { ...hot });

/** Whether hot and neutral land at the same place. */
export const landTogether = (hot: Wire | undefined, neutral: Wire | undefined): boolean =>
  placeOf(hot) === placeOf(neutral);

interface Props {
  fields: Record<string, Field>;
  values: Values;
  change: (v: Values) => void;
}

/** Where a circuit lands, asked once: in a slot, behind a GFCI, or on equipment; its neutral with it or apart. */
export function Landing({ fields, values, change }: Props) {
  const around = useParts();
  const hot = values.hot as Wire | undefined;
  const neutral = values.neutral as Wire | undefined;
  const apart = neutral !== undefined && !landTogether(hot, neutral);
  const kind = kindOf(hot);
  const setHot = (next: Wire) => change({ ...values, hot: next, neutral: apart ? neutral : together(next) });
  return (
    <fieldset className="landing">
      <legend>{t('parts.whereItLands')}</legend>
      <Choose
        kind={kind}
        choose={(k) => setHot(first(k, around, fields.hot!))}
        label={t('parts.whereItLands')}
        kinds={KINDS.filter(([k]) => k !== 'behind' || fitting(fields.hot!.fields.behind!, around).length > 0)}
      />
      <Place wire={hot ?? {}} set={setHot} field={fields.hot!} slots />
      <div className="landing-neutral">
        <span>{t('parts.neutral')}</span>
        <div role="radiogroup" aria-label={t('parts.neutral')} className="choose">
          {[false, true].map((a) => (
            <button
              key={String(a)}
              type="button"
              role="radio"
              aria-checked={a === apart}
              onClick={() =>
                change({
                  ...values,
                  neutral: a ? elsewhere(hot, around, fields.neutral!) : together(hot ?? {}),
                })
              }
            >
              {a ? t('parts.apartFromIt') : t('parts.withItsHot')}
            </button>
          ))}
        </div>
      </div>
      {apart && (
        <>
          <Choose
            kind={kindOf(neutral)}
            choose={(k) => change({ ...values, neutral: first(k, around, fields.neutral!) })}
            label={t('parts.whereTheNeutralLands')}
            kinds={KINDS.map(([k, w]) => [k, k === 'panel' ? t('parts.onANeutralBar') : w])}
          />
          <Place
            wire={neutral ?? {}}
            set={(next) => change({ ...values, neutral: next })}
            field={fields.neutral!}
            slots={false}
          />
        </>
      )}
    </fieldset>
  );
}

function Choose({
  kind,
  choose,
  label,
  kinds,
}: {
  kind: Kind;
  choose: (k: Kind) => void;
  label: string;
  kinds: [Kind, string][];
}) {
  return (
    <div role="radiogroup" aria-label={label} className="choose">
      {kinds.map(([k, words]) => (
        <button key={k} type="button" role="radio" aria-checked={k === kind} onClick={() => k !== kind && choose(k)}>
          {words}
        </button>
      ))}
    </div>
  );
}

/** The first place of a kind that is free. */
function first(kind: Kind, around: Surroundings, field: Field): Wire {
  if (kind === 'behind') return { behind: fitting(field.fields.behind!, around)[0]?.value };
  if (kind === 'at') {
    const [at, port] = (ends('gives', around)[0]?.value ?? '').split(' ');
    return { at, port };
  }
  const panel = fitting(field.fields.panel!, around)[0]?.value;
  return { panel, slot: panel === undefined ? undefined : freeSlot(around, panel) };
}

/** Another place than that of the hot. */
function elsewhere(hot: Wire | undefined, around: Surroundings, field: Field): Wire {
  const other = fitting(field.fields.panel!, around).find((p) => p.value !== hot?.panel);
  return other ? { panel: other.value } : first('at', around, field);
}

function freeSlot(around: Surroundings, panel: string): number | undefined {
  const p = around.components[panel];
  const taken = new Set(inPanel(around, panel).map(([, w]) => w.slot));
  for (let slot = 1; slot <= Number(p?.slots ?? 0); slot++)
    if (slot !== Number(p?.mainSlot ?? 0) && !taken.has(slot)) return slot;
  return undefined;
}

/** Who is in a panel, except the part itself. */
function inPanel({ components, self }: Surroundings, panel: string): [Component, Wire][] {
  return Object.entries(components)
    .filter(([id, c]) => id !== self && c.type === 'circuit' && (c.hot as Wire | undefined)?.panel === panel)
    .map(([, c]) => [c, c.hot as Wire]);
}

function Place({ wire, set, field, slots }: { wire: Wire; set: (next: Wire) => void; field: Field; slots: boolean }) {
  const around = useParts();
  const kind = kindOf(wire);
  if (kind === 'behind')
    return (
      <Select
        aria-label={t('parts.circuitWhoseGfciFeedsIt')}
        value={wire.behind}
        onChange={(behind) => set({ behind })}
        options={fitting(field.fields.behind!, around, wire.behind)}
      />
    );
  if (kind === 'at')
    return (
      <Select
        aria-label={t('parts.equipmentItIsWiredTo')}
        showSearch={{ optionFilterProp: 'label' }}
        value={wire.at === undefined ? undefined : `${wire.at} ${wire.port}`}
        onChange={(v) => {
          const [at, port] = v.split(' ');
          set({ at, port });
        }}
        options={ends('gives', around)}
      />
    );
  const panels = fitting(field.fields.panel!, around, wire.panel);
  return (
    <>
      {panels.length > 1 && (
        <Select
          aria-label={t('parts.panel')}
          value={wire.panel}
          onChange={(panel) => set(slots ? { panel, slot: freeSlot(around, panel) } : { panel })}
          options={panels}
        />
      )}
      {slots && wire.panel !== undefined && <Slots wire={wire} set={set} />}
    </>
  );
}

/** The slots of a panel as they stand, to tap; a free half of a tandem breaker stands beside the one that is taken. */
function Slots({ wire, set }: { wire: Wire; set: (next: Wire) => void }) {
  const around = useParts();
  const panel = around.components[wire.panel!];
  const inside = inPanel(around, wire.panel!);
  const halves = panel?.tandem === true;
  const rows = Array.from({ length: Number(panel?.slots ?? 0) }, (_, i) => i + 1);
  const tap = (slot: number, half?: string) => set({ panel: wire.panel, slot, ...(half ? { half } : {}) });
  return (
    <ol className="slots" aria-label={t('parts.slotsOf', { label: panel?.label })}>
      {rows.map((slot) => {
        const mine = wire.slot === slot;
        const others = inside.filter(([, w]) => w.slot === slot);
        const main = slot === Number(panel?.mainSlot ?? 0);
        const whole = others.length === 0 && !main;
        const there = others.map(([c, w]) => `${w.half ? `${w.half}: ` : ''}${c.label}`).join(', ');
        const who = main ? t('parts.mainBreaker') : there || (mine ? t('parts.thisCircuit') : t('parts.free'));
        return (
          <li key={slot} className={clsx('slot', mine && 'slot-mine')}>
            <button
              type="button"
              disabled={!whole}
              aria-pressed={mine && !wire.half}
              onClick={() => tap(slot)}
              aria-label={t('parts.slot', { slot, who })}
            >
              <b className="figures">{slot}</b>
              <span>{who}</span>
            </button>
            {halves &&
              !main &&
              (mine || others.some(([, w]) => w.half)) &&
              ['a', 'b'].map((half) => (
                <button
                  key={half}
                  type="button"
                  className="slot-half"
                  aria-label={t('parts.halfOfSlot', { half, slot })}
                  aria-pressed={mine && wire.half === half}
                  disabled={others.some(([, w]) => !w.half || w.half === half)}
                  onClick={() => tap(slot, half)}
                >
                  {half}
                </button>
              ))}
          </li>
        );
      })}
    </ol>
  );
}
