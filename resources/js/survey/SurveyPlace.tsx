import { useQuery } from '@tanstack/react-query';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import type { Component, Problem } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { Cautions } from '../ui/Cautions';
import { Waiting } from '../ui/Waiting';
import { useUnits } from '../shell/units';
import { BaselinePanel } from './BaselinePanel';
import { ComponentDrawer } from './ComponentDrawer';
import { NeedsPanel } from './NeedsPanel';
import { assumedCount, plainValue } from '../parts/values';

const GROUPS: [string, string[]][] = [
  ['Supply', ['shore_supply', 'inlet', 'generator', 'surge_unit']],
  ['Switching', ['transfer_switch', 'bypass', 'ac_switch', 'contactor']],
  ['Panels and feeders', ['panel', 'feeder', 'splice_box', 'instruction']],
  ['Inverter and converter', ['inverter', 'inverter_charger', 'converter']],
  [
    'Battery and 12 V',
    ['dc_load', 'battery_bank', 'dc_fuse', 'dc_switch', 'shunt', 'bus_bar', 'dc_panel', 'lead', 'frame_bond'],
  ],
];

/** The rig as found: from a factory layout, then only the differences. */
export default function SurveyPlace({ hold }: PlaceProps) {
  const components = hold.design.document.asFound.components;
  const [editing, setEditing] = useState<string | null>(null);
  const [adding, setAdding] = useState<string | null>(null);
  const reference = useQuery(referenceQuery);
  if (!reference.data) return <Waiting what="survey forms" />;
  if (Object.keys(components).length === 0) return <Start hold={hold} />;
  const circuits = Object.entries(components)
    .filter(([, c]) => c.type === 'circuit')
    .sort((a, b) => place(a[1]).localeCompare(place(b[1]), 'en', { numeric: true }));
  const answer = hold.answer('as_found');
  return (
    <main className="page wide survey">
      <p className="lede">
        Read the jacket, measure, ask: labels lie. What stands here with <span className="is-assumed">~</span> is
        assumed until somebody looks.
        {answer && <b> {answer.assumptions.length} values are still assumed.</b>}
      </p>
      <section>
        <h1>Circuits</h1>
        <QuickEntry hold={hold} />
        <div className="table-scroll" tabIndex={0} role="region" aria-label="Circuits, scrollable">
          <table className="survey-table">
            <thead>
              <tr>
                <th scope="col">Lands</th>
                <th scope="col">Circuit</th>
                <th scope="col">Breaker</th>
                <th scope="col">Cable</th>
                <th scope="col">Neutral</th>
                <th scope="col">GFCI</th>
                <th scope="col">Loads</th>
                <th scope="col">
                  <span className="sr">Look closer</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {circuits.map(([id, c]) => (
                <CircuitRow key={id} c={c} components={components} open={() => setEditing(id)} />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <div className="survey-groups">
        {GROUPS.map(([title, types]) => (
          <section key={title} className={types.includes('lead') ? 'many' : ''}>
            <h2>{title}</h2>
            <ul className="parts">
              {Object.entries(components)
                .filter(([, c]) => types.includes(c.type))
                .map(([id, c]) => (
                  <li key={id}>
                    <button type="button" className="part" onClick={() => setEditing(id)}>
                      <span>{c.label}</span>
                      {assumedCount(c) > 0 && <span className="assumed-tag">~{assumedCount(c)}</span>}
                    </button>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </div>
      <div className="add-part">
        <Select
          aria-label="Kind of part to add"
          placeholder="Add a part of another kind"
          value={adding}
          onChange={setAdding}
          options={Object.entries(reference.data.forms).map(([value]) => ({
            value,
            label: value.replaceAll('_', ' '),
          }))}
        />
      </div>
      <BaselinePanel job={hold.design.id} revision={hold.design.revision} />
      <NeedsPanel hold={hold} />
      <Cautions />
      {editing && components[editing] && <ComponentDrawer hold={hold} id={editing} close={() => setEditing(null)} />}
      {adding && <ComponentDrawer hold={hold} id={null} type={adding} close={() => setAdding(null)} />}
    </main>
  );
}

interface Landing {
  panel?: string;
  slot?: number;
  half?: string;
  behind?: string;
  at?: string;
}

function landsAt(l: Landing): string | undefined {
  return l.panel ?? l.behind ?? l.at;
}

function place(c: Component): string {
  const hot = c.hot as Landing;
  return hot.behind ? `~${hot.behind}` : hot.at ? `~~${hot.at}` : `${hot.panel} ${hot.slot}${hot.half ?? ''}`;
}

function CircuitRow({
  c,
  components,
  open,
}: {
  c: Component;
  components: Record<string, Component>;
  open: () => void;
}) {
  const hot = c.hot as Landing;
  const neutral = c.neutral as Landing;
  const cable = c.cable as { size: unknown; lengthM: unknown };
  const apart = landsAt(hot) !== landsAt(neutral);
  const name = (id?: string) => (id ? (components[id]?.label ?? id) : '');
  const loads = Object.values((c.loads ?? {}) as Record<string, { watts: unknown }>);
  const watts = loads.reduce((sum, l) => sum + Number(plainValue(l.watts).value ?? 0), 0);
  const size = plainValue(cable.size);
  const length = plainValue(cable.lengthM);
  const units = useUnits();
  const breaker = plainValue(c.breakerA);
  return (
    <tr>
      <td className="figures">
        {hot.behind
          ? `behind ${name(hot.behind)}`
          : hot.at
            ? `at ${name(hot.at)}`
            : `${name(hot.panel)} ${hot.slot}${hot.half ?? ''}`}
      </td>
      <td>
        <b>{c.label}</b>
      </td>
      <td className={`figures ${breaker.assumed ? 'is-assumed' : ''}`}>
        {breaker.value === undefined ? '–' : `${breaker.assumed ? '~' : ''}${String(breaker.value)} A`}
      </td>
      <td className="figures">
        <span className={size.assumed ? 'is-assumed' : ''}>
          {size.assumed ? '~' : ''}
          {units.size(String(size.value))}
        </span>
        ,{' '}
        <span className={length.assumed ? 'is-assumed' : ''}>
          {length.assumed ? '~' : ''}
          {units.length(Number(length.value ?? 0))}
        </span>
      </td>
      <td className={apart ? 'apart' : ''}>{apart ? `apart: ${name(landsAt(neutral))}` : 'with its hot'}</td>
      <td>{c.gfci === 'none' ? <span className="quiet">none</span> : String(c.gfci)}</td>
      <td className="figures">{watts > 0 ? `${watts} W` : <span className="quiet">–</span>}</td>
      <td>
        <Button size="small" onClick={open} aria-label={`Look closer at ${c.label}`}>
          Look closer
        </Button>
      </td>
    </tr>
  );
}

/** One line a circuit, as it is called out at the panel. */
function QuickEntry({ hold }: { hold: DesignHold }) {
  const [lines, setLines] = useState('');
  const panels = Object.entries(hold.design.document.asFound.components).filter(([, c]) => c.type === 'panel');
  const [panel, setPanel] = useState(panels[0]?.[0] ?? '');
  const [wrong, setWrong] = useState<string[]>([]);
  const add = async () => {
    setWrong([]);
    const many = lines.trim().includes('\n');
    const refused = (problems: Problem[]) =>
      setWrong(
        problems.map((p) =>
          many && /^\/lines\/\d+$/.test(p.pointer) ? `Line ${p.pointer.slice(7)}: ${p.message}` : p.message,
        ),
      );
    if (lines.trim() !== '' && (await hold.edit({ kind: 'add_circuits', panel, lines } as never, refused)))
      setLines('');
  };
  return (
    <form
      className="quick"
      onSubmit={(e) => {
        e.preventDefault();
        void add();
      }}
    >
      <label htmlFor="quick-lines">Quick entry</label>
      <Input.TextArea
        id="quick-lines"
        rows={Math.min(8, lines.split('\n').length)}
        value={lines}
        onChange={(e) => setLines(e.target.value)}
        onPressEnter={(e) => {
          if (!e.shiftKey) {
            e.preventDefault();
            void add();
          }
        }}
        placeholder="20 gfci bath 12/2 18ft #3b 900w"
        aria-describedby="quick-wrong quick-help"
        status={wrong.length > 0 ? 'error' : ''}
      />
      {panels.length > 1 && (
        <Select
          aria-label="Panel"
          value={panel}
          onChange={setPanel}
          options={panels.map(([value, c]) => ({ value, label: c.label }))}
        />
      )}
      <Button htmlType="submit" type="primary">
        Add
      </Button>
      <p id="quick-wrong" className="wrong" role="alert">
        {wrong.join(' ')}
      </p>
      <p id="quick-help" className="quiet">
        breaker, then in any order: gfci or gfci-rec, place, cable, length, #slot, watts, name. Enter adds, Shift Enter
        starts another line.
      </p>
    </form>
  );
}

function Start({ hold }: { hold: DesignHold }) {
  const reference = useQuery(referenceQuery);
  return (
    <main className="page">
      <h1>What does it look most like?</h1>
      <p className="quiet">
        A factory layout gives the usual parts, every value marked assumed. Then survey only what differs.
      </p>
      <ul className="layouts">
        {reference.data?.layouts.map((l) => (
          <li key={l.id}>
            <button
              type="button"
              className="layout"
              disabled={hold.saving}
              onClick={() => void hold.edit({ kind: 'lay_out', layout: l.id } as never)}
            >
              <b>{l.title}</b>
              <span>{l.summary}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="quiet">Or bring a job file in under &ldquo;Print &amp; files&rdquo;.</p>
    </main>
  );
}
