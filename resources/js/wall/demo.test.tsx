import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Answer, Finding } from '../api/client';
import { LiveTable } from '../plan/LiveTable';
import { StateStrip } from '../plan/StateStrip';
import { routeKey } from './flow/graph';
import { rowKey } from './measures';
import { ListForm } from './ListForm';
import { ribbonPaint, stateOf, witnessSteps } from './paint';
import { Severity } from '../ui/Severity';
import { Staple } from './symbols/Staple';
import { Wall } from './Wall';
import { drawn, nothing, words } from '../testing';

/* The interface on the demo rig's real answers, as the core gives them. */

const answers = JSON.parse(readFileSync('storage/fixtures/demo.json', 'utf8')) as Record<string, Answer>;
const planned = answers['panel/whole']!;
const found = answers['as_found']!;
const finding = (rule: string): Finding => planned.findings.find((f) => f.rule === rule)!;
const geometry = await drawn([found.wall, planned.wall]);
const wallOf = (answer: Answer, state: string, focus: Finding | null = null) =>
  renderToStaticMarkup(
    <Wall
      answer={answer}
      state={state}
      scenario="class"
      geometry={geometry}
      focus={focus}
      chosen={null}
      onChoose={nothing}
      movable
    />,
  );

describe('the wall of the demo rig', () => {
  it('has a place for every part, row and cable of both rigs', () => {
    for (const answer of [found, planned]) {
      for (const id of Object.keys(answer.wall.plates)) expect(geometry.plates[id], id).toBeDefined();
      for (const [tray, { rows }] of Object.entries(answer.wall.trays)) {
        for (const row of rows) {
          const split = geometry.rows[tray]?.[`${row.slot}a`];
          expect(
            geometry.rows[tray]?.[rowKey(row)] ?? (row.kind === 'free' ? split : undefined),
            `${tray} ${rowKey(row)}`,
          ).toBeDefined();
        }
      }
      for (const link of answer.wall.links.filter((l) => l.kind === 'ac'))
        expect(geometry.routes[routeKey(link)], link.id).toBeDefined();
    }
  });

  it('overlaps nothing but the bank that is replaced', () => {
    const boxes = Object.entries(geometry.plates);
    for (const [i, [a, x]] of boxes.entries()) {
      for (const [b, y] of boxes.slice(i + 1)) {
        const over = x.x < y.x + y.w && y.x < x.x + x.w && x.y < y.y + y.h && y.y < x.y + x.h;
        expect(over, `${a} over ${b}`).toBe(over && [a, b].sort().join() === 'bank,house');
      }
    }
  });

  it('draws the neutral that was left behind, and only that', () => {
    expect(Object.keys(geometry.forks)).toEqual(['c_outlets']);
    expect(wallOf(planned, 'inverting')).toContain('fork-live');
    expect(wallOf(planned, 'nothing')).not.toContain('fork-live');
  });

  it('names every plate and circuit in its own words', () => {
    const text = words(wallOf(planned, 'inverting'));
    for (const plate of Object.values(planned.wall.plates)) expect(text).toContain(plate.label);
    for (const row of planned.table) expect(text).toContain(row.label);
  });

  it("says in each state what the inlet's pins are", () => {
    expect(words(wallOf(planned, 'inverting'))).toContain('hot and neutral pins live!');
    expect(words(wallOf(planned, 'nothing'))).toContain('pins bare, not live');
    expect(words(wallOf(planned, 'shore_s30'))).toContain('in 30 A');
  });

  it('says of the pedestal what is plugged in, whatever the inlet is called', async () => {
    expect(words(wallOf(planned, 'shore_s15'))).toContain('plugged into 15 A');
    expect(words(wallOf(planned, 'dead_pedestal'))).toContain('plugged in, dead');
    expect(words(wallOf(planned, 'low_shore'))).toContain('plugged in, too low');
    expect(words(wallOf(planned, 'inverting'))).toContain('not plugged in');
    const renamed = JSON.parse(JSON.stringify(planned).replaceAll('inlet', 'captive_cord')) as Answer;
    const own = await drawn([renamed.wall]);
    const html = renderToStaticMarkup(
      <Wall
        answer={renamed}
        state="shore_s15"
        scenario={null}
        geometry={own}
        focus={null}
        chosen={null}
        onChoose={nothing}
        movable
      />,
    );
    expect(words(html)).toContain('plugged into 15 A');
  });

  it('tells what moved by itself, and after how long', () => {
    expect(words(wallOf(planned, 'inverting'))).toContain('1 · by itself, 20 ms');
    expect(words(wallOf(planned, 'shore_and_inverter'))).toContain('1 · by itself, 15 s');
    expect(words(wallOf(planned, 'nothing'))).toContain('switch: off');
  });

  it('reads aloud: a row says its slot, name, rating and what makes it work', () => {
    const html = wallOf(planned, 'inverting');
    expect(html).toContain('aria-label="2 Scion cold store, 15 A, works from inverter"');
    expect(html).toContain(
      'aria-label="1 Bench lights and outlets, 15 A, hot is live without its neutral, neutral lands elsewhere"',
    );
  });

  it('lights the proof of a finding with numbered steps', () => {
    const loop = finding('charging_loop');
    const steps = witnessSteps(loop, planned.wall.links);
    expect([...steps.values()]).toEqual([...steps.values()].map((_, i) => i + 1));
    expect(steps.get('inverter_out')).toBe(1);
    expect(steps.get('c_converter')).toBe(2);
    const html = wallOf(planned, 'inverting', loop);
    expect(html.match(/class="halo"/g)?.length).toBeGreaterThanOrEqual(5);
    expect(wallOf(planned, 'inverting')).not.toContain('class="halo"');
  });

  it('uses red for danger only', () => {
    const warning = planned.findings.find((f) => f.severity === 'warning' && f.components.length > 0)!;
    const mild = wallOf(planned, 'inverting', warning);
    expect(mild).not.toContain('is-lit-danger');
    expect(mild).toContain('is-lit');
    expect(wallOf(planned, 'inverting', finding('charging_loop'))).toContain('is-lit-danger');
  });

  it('marks what is assumed', () => {
    expect(wallOf(planned, 'nothing')).toContain('values assumed, not measured');
    expect(wallOf(planned, 'nothing')).toContain('assumed-dot');
  });

  it('patterns each ribbon by its source', () => {
    const of = (state: string, link: string) =>
      ribbonPaint(
        planned.wall.links.find((l) => l.id === link)!,
        planned.paint[state],
        undefined,
      ).pattern;
    expect([
      of('inverting', 'inverter_out'),
      of('shore_s30', 'inverter_out'),
      of('nothing', 'inverter_out'),
      of('inverting', 'feeder_main'),
    ]).toEqual(['inverter', 'shore', 'dead', 'soft']);
    expect(of('inverting', 'ld_bank_fuse')).toBe('battery');
  });
});

describe('the list form', () => {
  const list = (state: string, focus: Finding | null = null) =>
    words(
      renderToStaticMarkup(
        <ListForm
          answer={planned}
          state={state}
          scenario="class"
          focus={focus}
          chosen={null}
          onChoose={nothing}
          movable
        />,
      ),
    );

  it('has the same content as the wall', () => {
    const text = list('inverting');
    for (const plate of Object.values(planned.wall.plates)) expect(text).toContain(plate.label);
    for (const row of planned.table) expect(text).toContain(row.label);
    expect(text).toContain('its neutral lands on Main panel');
    expect(text).toContain('Inverter/charger 3000 VA: inverting, after 20 ms');
    expect(text).toContain('inverter: 1 bond (Inverter/charger 3000 VA)');
  });

  it('numbers the proof', () => {
    expect(list('inverting', finding('charging_loop'))).toContain('1. Inverter/charger 3000 VA to Inverter panel');
  });
});

describe('the what-is-live table', () => {
  const table = words(renderToStaticMarkup(<LiveTable answer={planned} plain />));

  it('has a row for every circuit and a column for every state', () => {
    for (const row of planned.table) expect(table).toContain(row.label);
    for (const state of planned.states) expect(table).toContain(`${state.letter} ${state.title}`);
  });

  it('never calls a hot without its return dead', () => {
    const bench = planned.table.find((r) => r.circuit === 'c_outlets')!;
    expect(bench.cells.inverting).toMatchObject({ kind: 'live', words: 'hot is live without its neutral' });
    expect(table).toContain('! hot is live without its neutral');
    expect(table).toContain('live, does not work');
    expect(table).toContain('Measure before you touch.');
  });

  it('heads each panel once', () => {
    expect(table.match(/Main panel/g)).toHaveLength(1);
    expect(table.match(/Inverter panel/g)).toHaveLength(1);
  });
});

describe('the state strip', () => {
  it('counts the dangers that each state shows', () => {
    const html = renderToStaticMarkup(<StateStrip fault={null} answer={planned} state="inverting" choose={nothing} />);
    const dangers = (state: string) =>
      planned.findings.filter((f) => f.severity === 'danger' && f.witness.states.includes(state)).length;
    expect(dangers('inverting')).toBeGreaterThan(1);
    expect(dangers('nothing')).toBe(0);
    expect(html).toMatch(new RegExp(`aria-label="[A-Z] inverting, ${dangers('inverting')} dangers"`));
    expect(html.match(/aria-checked="true"/g)).toHaveLength(1);
  });
});

describe('a finding', () => {
  it('is shown in its own state, or in the nearest one', () => {
    for (const f of planned.findings) {
      const state = stateOf(f, planned);
      if (f.witness.state) expect(state).toBe(f.witness.state);
      else if (f.witness.controls) expect(planned.states.map((s) => s.id)).toContain(state);
      else expect(state).toBeNull();
    }
  });

  it('never follows from itself or from one that is not there', () => {
    const ids = planned.findings.map((f) => f.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const f of planned.findings) expect(f.because).not.toBe(f.id);
    expect(planned.findings.find((f) => f.rule === 'live_pins')!.because).toBe(
      planned.findings.find((f) => f.rule === 'split_return' && f.title === 'Hot without its neutral')!.id,
    );
  });

  it('has a sign that speaks without colour', () => {
    expect(renderToStaticMarkup(<Severity severity="danger" />)).toContain('aria-label="danger"');
    expect(words(renderToStaticMarkup(<Severity severity="warning" />))).toBe('▲');
    expect(words(renderToStaticMarkup(<Staple closed />))).toBe('bond 1');
    expect(words(renderToStaticMarkup(<Staple closed={false} />))).toBe('bond open');
  });
});
