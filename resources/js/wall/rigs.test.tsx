import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Answer, Link } from '../api/client';
import { HandPanel } from '../plan/HandPanel';
import { FaultSelect, StateStrip } from '../plan/StateStrip';
import { runningIn } from '../plan/useSettled';
import { makeUnits, UnitsContext } from '../shell/units';
import { routeKey } from './flow/graph';
import { measure } from './flow/measure';
import { rowKey, type Geometry } from './measures';
import { ListForm } from './ListForm';
import { ribbonPaint } from './paint';
import { Wall } from './Wall';
import { drawn, nothing, words } from '../testing';

/* The wall on rigs with every kind of switching: as the core answers for the demo workshop's own. */

type Answers = Record<string, Answer>;
const read = (name: string) => JSON.parse(readFileSync(`storage/fixtures/${name}.json`, 'utf8')) as Answers;
const rigs: Record<string, Answers> = { archive: read('archive'), tideline: read('tideline') };

const views = Object.entries(rigs).flatMap(([name, answers]) =>
  Object.keys(answers).map((view) => [name, view] as const),
);
const laid = async (name: string, view: string, tall = false): Promise<{ answer: Answer; geometry: Geometry }> => {
  const answer = rigs[name]![view]!;
  return { answer, geometry: await drawn([rigs[name]!.as_found!.wall, answer.wall], tall) };
};

describe.each(views)('%s, %s', (name, view) => {
  it('has a place for every part and row, none over another', async () => {
    const { answer, geometry } = await laid(name, view);
    const boxes = Object.keys(answer.wall.plates).map((id) => [id, geometry.plates[id]] as const);
    for (const [id, box] of boxes) expect(box, id).toBeDefined();
    for (const [i, [a, one]] of boxes.entries()) {
      for (const [b, two] of boxes.slice(i + 1)) {
        const apart =
          one!.x + one!.w <= two!.x ||
          two!.x + two!.w <= one!.x ||
          one!.y + one!.h <= two!.y ||
          two!.y + two!.h <= one!.y;
        // A bank that is replaced stands where the new one will.
        if (answer.wall.plates[a]!.shape !== 'bank' || answer.wall.plates[b]!.shape !== 'bank')
          expect(apart, `${a} over ${b}`).toBe(true);
      }
    }
    for (const [tray, { rows }] of Object.entries(answer.wall.trays)) {
      for (const row of rows.filter((r) => r.kind !== 'free'))
        expect(geometry.rows[tray]?.[rowKey(row)], `${tray} ${rowKey(row)}`).toBeDefined();
    }
  });

  it('routes every cable at right angles and under no part', async () => {
    const { answer, geometry } = await laid(name, view);
    expect(measure(answer.wall, geometry, { w: 1210, h: 676 }).underPlates).toEqual([]);
    for (const link of answer.wall.links.filter((l) => l.kind === 'ac' || l.kind === 'coil')) {
      const route = geometry.routes[routeKey(link)];
      const [from, to] = [geometry.plates[link.from.c]!, geometry.plates[link.to.c]!];
      // What hangs under the part that feeds it touches it: there is nothing to draw.
      if (!route) expect([to.x, to.y], link.id).toEqual([from.x, from.y + from.h]);
      route?.slice(1).forEach((p, i) => {
        const q = route[i]!;
        expect(p.x === q.x || p.y === q.y, link.id).toBe(true);
      });
    }
  });

  it('lets no two cables lie on each other but where they end at one place', async () => {
    const { answer, geometry } = await laid(name, view);
    const upright: { link: Link; x: number; a: number; b: number }[] = [];
    for (const link of answer.wall.links.filter((l) => l.kind === 'ac' || l.kind === 'coil')) {
      const route = geometry.routes[routeKey(link)] ?? [];
      route.slice(1).forEach((p, i) => {
        const q = route[i]!;
        if (p.x === q.x) upright.push({ link, x: p.x, a: Math.min(p.y, q.y), b: Math.max(p.y, q.y) });
      });
    }
    const end = (e: Link['from']) => `${e.c}.${e.port ?? e.row ?? ''}`;
    for (const [i, one] of upright.entries()) {
      for (const two of upright.slice(i + 1)) {
        const joined = end(one.link.from) === end(two.link.from) || end(one.link.to) === end(two.link.to);
        if (one.link !== two.link && !joined && Math.abs(one.x - two.x) < 6)
          expect(one.b <= two.a || two.b <= one.a, `${one.link.id} on ${two.link.id}`).toBe(true);
      }
    }
  });

  it('puts no two ground marks on one place of the sill', async () => {
    const { geometry } = await laid(name, view);
    const at = Object.values(geometry.feet)
      .map((f) => f.sillX)
      .sort((a, b) => a - b);
    at.slice(1).forEach((x, i) => expect(x - at[i]!).toBeGreaterThanOrEqual(16));
    expect(at.at(-1) ?? 0).toBeLessThan(geometry.width);
  });

  it('is drawn in every state', async () => {
    const { answer, geometry } = await laid(name, view);
    for (const state of answer.states) {
      const html = renderToStaticMarkup(
        <Wall
          answer={answer}
          state={state.id}
          scenario={null}
          geometry={geometry}
          focus={null}
          chosen={null}
          onChoose={nothing}
          movable
        />,
      );
      for (const plate of Object.values(answer.wall.plates))
        expect(words(html)).toContain(plate.label.replace(/&/g, '&amp;'));
      expect(html).not.toContain('NaN');
      expect(html).not.toContain('undefined');
    }
  });

  it('says the same as a list', async () => {
    const { answer } = await laid(name, view);
    const text = words(
      renderToStaticMarkup(
        <ListForm
          answer={answer}
          state={answer.states[0]!.id}
          scenario={null}
          focus={null}
          chosen={null}
          onChoose={nothing}
          movable={false}
        />,
      ),
    );
    for (const plate of Object.values(answer.wall.plates)) expect(text).toContain(plate.label.replace(/&/g, '&amp;'));
  });
});

describe('switching', async () => {
  const { answer, geometry } = await laid('archive', 'right/whole');
  const at = (state: string, more: Partial<Parameters<typeof Wall>[0]> = {}) =>
    renderToStaticMarkup(
      <Wall
        answer={answer}
        state={state}
        scenario={null}
        geometry={geometry}
        focus={null}
        chosen={null}
        onChoose={nothing}
        movable
        {...more}
      />,
    );
  const plate = (html: string, id: string) =>
    words(html.slice(html.indexOf(`data-plate="${id}"`)).split('</button>')[0]!);

  it('stands between supplies and panels', () => {
    const [shore, ats, panel] = ['shore', 'old_transfer', 'main_panel'].map((id) => geometry.plates[id]!);
    expect(shore!.x + shore!.w).toBeLessThan(ats!.x);
    expect(ats!.x + ats!.w).toBeLessThan(panel!.x);
  });

  it('shows what each device is in and how it got there', () => {
    expect(plate(at('inverting'), 'old_transfer')).toContain('on input B');
    expect(plate(at('shore_s30'), 'old_transfer')).toMatch(/by itself, 15 s.*on input A/);
    expect(plate(at('shore_s30'), 'shore_contactor')).toContain('coil pulled in');
    expect(plate(at('inverting'), 'shore_contactor')).toContain('coil released');
    expect(plate(at('shore_s30'), 'old_inverter')).toContain('switch off');
  });

  it('names sources by pattern and letter', () => {
    const link = answer.wall.links.find((l) => l.id === 'old_transfer_out')!;
    expect(ribbonPaint(link, answer.paint.inverting, undefined)).toMatchObject({ pattern: 'inverter', letter: 'I' });
    expect(ribbonPaint(link, answer.paint.shore_s30, undefined)).toMatchObject({ pattern: 'shore', letter: 'S' });
    const van = rigs.tideline!.as_found!;
    expect(
      ribbonPaint(
        van.wall.links.find((l) => l.from.c === 'genset')!,
        van.paint.generator,
        undefined,
      ),
    ).toMatchObject({ pattern: 'generator', letter: 'G' });
  });

  it('shows volts at the outlets when asked, and handles when a hand is on', () => {
    const html = at('inverting', { volts: { c_outlets: 117.36 }, onToggle: nothing });
    expect(words(html)).toContain('117.4 V');
    expect(html).toContain('aria-label="switch 2 Reading-room outlets');
    expect(at('inverting')).not.toContain('aria-label="switch');
  });

  it('puts outlets that hang on equipment into a tray of their own', () => {
    expect(answer.wall.plates.shore_contactor__outlets).toMatchObject({ shape: 'tray', type: 'outlets' });
    expect(words(at('shore_s30'))).toContain('Converter contactor: outlets');
  });

  it('writes sizes and lengths in the units somebody chose', () => {
    const metric = renderToStaticMarkup(
      <UnitsContext.Provider value={makeUnits('metric')}>
        <ListForm
          answer={answer}
          state="inverting"
          scenario={null}
          focus={null}
          chosen={null}
          onChoose={nothing}
          movable={false}
        />
      </UnitsContext.Provider>,
    );
    expect(words(metric)).toContain('12 AWG (3.3 mm²), 2.4 m');
  });
});

describe('the hand panel', () => {
  const answer = rigs.tideline!['line/whole']!;
  const named = answer.states.find((s) => s.id === 'shore_s30')!;
  const settled = {
    paint: answer.paint.shore_s30!,
    story: [
      { atS: 0, words: ['set'] },
      { atS: 0.03, words: ['Converter lock-out: coil released'] },
      { atS: 136, words: ['Surge unit: lets the supply in', '9 circuits: works from Shore'] },
    ],
    hits: [
      {
        rule: 'bond_count',
        severity: 'danger' as const,
        title: 'Two neutral-ground bonds',
        text: 'at two places',
        components: [],
      },
    ],
    flow: {
      trouble: null,
      amps: {},
      volts: {},
      loading: [],
      sources: [{ id: 'shore.supply', label: 'Shore', volts: 118.2, amps: 14.2, watts: 1670, overloaded: true }],
      loads: [{ id: 'c_air.unit', label: 'Air conditioner', volts: 71, amps: 9, watts: 600, collapsed: true }],
      lostW: 21.4,
      residual: 1e-12,
      floating: [],
      trips: [{ component: 'main_fuse', words: 'Main fuse: 189 A of 150 A, opens after about 2 min' }],
    },
  };
  const panel = (about: string | null) =>
    words(
      renderToStaticMarkup(
        <HandPanel
          answer={answer}
          setting={named}
          set={nothing}
          settled={settled}
          about={about}
          all={nothing}
          reset={nothing}
        />,
      ),
    );

  it('offers every control a person can set, breakers folded away', () => {
    const text = panel(null);
    for (const c of answer.controls.filter((c) => c.job !== 'breaker'))
      expect(text).toContain(c.label.replace(/ breaker$/, ''));
    expect(text.indexOf('What happens')).toBeLessThan(text.indexOf('Breakers'));
    expect(text).toContain('hot and neutral reversed');
  });

  it('keeps to the part in hand', () => {
    expect(panel('bypass')).toContain('past the unit');
    expect(panel('bypass')).not.toContain('Cords and plugs');
    expect(panel('bank')).toContain('Nothing to set on it.');
  });

  it('tells the story with its delays, the hazards of the state and the load flow', () => {
    const text = panel(null);
    expect(text).toMatch(/at once set 30 ms Converter lock-out: coil released 136 s Surge unit: lets the supply in/);
    expect(text).toContain('Two neutral-ground bonds at two places');
    expect(text).toContain('Shore 118.2 V 14.2 A 1670 W');
    expect(text).toContain('Air conditioner gives up 71 V');
    expect(text).toContain('lost in wires 21 W');
    expect(text).toContain('Main fuse: 189 A of 150 A, opens after about 2 min');
  });
});

describe('the state strip', () => {
  it('groups faulty pedestals apart from the named states, and says when something is set by hand', () => {
    const answer = rigs.archive!.as_found!;
    const html = renderToStaticMarkup(
      <>
        <StateStrip answer={answer} state="by_hand" choose={nothing} fault={null} />
        <FaultSelect answer={answer} fault={null} setFault={nothing} />
      </>,
    );
    expect(words(html)).toContain('set by hand');
    expect(answer.faults.length).toBeGreaterThan(6);
    for (const f of answer.faults) expect(words(html)).toContain(f.title.replace('shore: ', ''));
    expect(html.match(/aria-checked="true"/g)).toBeNull();
  });
});

it('keeps what may become of the batteries in one choice with the faulty pedestals', () => {
  const answer = read('bellows').as_found!;
  const strip = renderToStaticMarkup(<StateStrip answer={answer} state="shore_s30" choose={nothing} fault={null} />);
  const more = renderToStaticMarkup(
    <FaultSelect answer={answer} state="cold" choose={nothing} fault={null} setFault={nothing} />,
  );
  const batteries = answer.states.filter((s) => s.group === 'battery');
  expect(batteries.map((s) => s.id)).toEqual(
    expect.arrayContaining(['bms_open', 'bms_open_lith_short', 'empty', 'full', 'cold']),
  );
  for (const s of batteries) {
    expect(words(strip)).not.toContain(s.title);
    expect(words(more)).toContain(s.title);
  }
  expect(words(strip)).toContain('hitched, engine off');
  expect(more).toContain('<option value="cold" selected');
});

it('runs only the loads that a view still has', () => {
  const answer = rigs.archive!.as_found!;
  const document = {
    needs: { scenarios: { x: { title: 'X', running: { 'c_outlets.lamps': true, 'gone.load': true } } } },
  } as never;
  expect(runningIn(document, answer, 'x')).toEqual(['c_outlets.lamps']);
  expect(runningIn(document, answer, null)).toEqual([]);
});
