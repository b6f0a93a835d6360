import { readFileSync } from 'node:fs';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { App } from 'antd';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter, Route, Routes } from 'react-router';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Answer, Design, Finding, Reference, View } from './api/client';
import { conflictPlaces, conflictWords } from './job/ConflictDialog';
import type { DesignHold } from './job/useDesign';
import { within } from './plan/Asked';
import { Changes } from './plan/Changes';
import { counted, countOf, ownFindings } from './plan/findings';
import { LiveTable } from './plan/LiveTable';
import { MeterPanel } from './plan/MeterPanel';
import { PlansTable } from './plan/PlansTable';
import SheetPlace from './sheet/SheetPlace';
import ReferencePlace from './shell/ReferencePlace';
import { makeUnits, UnitsContext } from './shell/units';
import SizePlace from './size/SizePlace';
import { NeedsPanel } from './survey/NeedsPanel';
import SurveyPlace from './survey/SurveyPlace';
import { Assumed } from './ui/Assumed';
import { drawn, field, nothing, words as read } from './testing';
import { drawingKey } from './wall/flow/layout';
import { remember } from './wall/useGeometry';

/* The places of a job on the demo rig's document and the core's real answers to it. */

const answers = JSON.parse(readFileSync('storage/fixtures/demo.json', 'utf8')) as Record<string, Answer>;
const document = JSON.parse(readFileSync('tests/golden/format-1.json', 'utf8')) as Design['document'];

/** With ampersands as they are read. */
const words = (html: string) => read(html).replace(/&amp;/g, '&');

const views = Object.keys(answers).map((id): View => {
  const plan = id === 'as_found' ? null : id.split('/')[0]!;
  return {
    id,
    hash: id,
    plan,
    stage: plan ? id.split('/')[1]! : null,
    title: plan ? document.plans[plan]!.title : 'As found',
    last: plan !== null,
  } as View;
});

const design = (more: Partial<Design> = {}): Design =>
  ({
    id: 1,
    revision: 29,
    head: 29,
    title: document.title,
    customer: 'Pippin & Scion',
    document,
    views,
    answers,
    ...more,
  }) as Design;

const hold = (d: Design = design()): DesignHold =>
  ({
    design: d,
    saving: false,
    held: null,
    conflict: null,
    dismissConflict: nothing,
    insist: () => Promise.resolve(true),
    view: (id: string) => d.views.find((v) => v.id === id),
    answer: (id: string) => d.answers[d.views.find((v) => v.id === id)?.hash ?? ''],
    edit: () => Promise.resolve(true),
    undo: () => Promise.resolve(),
    redo: () => Promise.resolve(),
    restore: () => Promise.resolve(),
    take: nothing,
    catchUp: () => Promise.resolve(),
  }) as DesignHold;

const reference = JSON.parse(readFileSync('storage/fixtures/reference.json', 'utf8')) as Reference;
const forms = reference.forms;

function shown(node: ReactNode, seed: (client: QueryClient) => void = nothing, metric = false): string {
  const client = new QueryClient();
  client.setQueryData(['reference'], reference);
  seed(client);
  return renderToStaticMarkup(
    <QueryClientProvider client={client}>
      <UnitsContext.Provider value={makeUnits(metric ? 'metric' : 'trade')}>
        <App>{node}</App>
      </UnitsContext.Provider>
    </QueryClientProvider>,
  );
}

describe('plans compared', () => {
  const table = (d?: Design, metric = false) =>
    words(shown(<PlansTable hold={hold(d)} open={nothing} />, nothing, metric));

  it('asks every plan the same questions, as found among them', () => {
    const text = table();
    for (const view of views) expect(text).toContain(view.title);
    for (const question of [
      'Needed off grid',
      'Circuits on the inverter',
      'Dangers, always',
      'Left to somebody',
      'Weight',
      'States checked',
    ])
      expect(text).toContain(question);
  });

  it('counts what the core counted', () => {
    const text = table();
    for (const answer of Object.values(answers))
      expect(text).toContain(answer.checked.states.toLocaleString('en').replace(/,/g, ' '));
    const needed = Object.keys(document.needs.offGrid ?? {}).length;
    expect(needed).toBeGreaterThan(0);
    expect(text).toMatch(new RegExp(`\\d of ${needed}`));
  });

  it('says weight against as found as an assumption, in the units chosen', () => {
    expect(table()).toMatch(/~[+−]\d+ lb/);
    expect(table(undefined, true)).toMatch(/~[+−]\d+(\.\d)? kg/);
  });

  it('waits visibly for an answer it does not have yet', () => {
    const some = { ...answers };
    delete some['line/whole'];
    expect(table(design({ answers: some }))).toContain('…');
  });
});

describe('the changes of a plan', () => {
  const changes = (mayPlan: boolean) =>
    words(shown(<Changes open={nothing} look={nothing} hold={hold()} plan="panel" mayPlan={mayPlan} />));

  it("are told stage by stage in words, none of the file's own names among them", () => {
    const text = changes(true);
    for (const stage of Object.values(document.plans.panel!.stages)) expect(text).toContain(stage.title);
    expect(text).toContain('fit Inverter/charger 3000 VA');
    expect(text).toMatch(/where the hot lands: (panel )?Inverter panel, slot \d/);
    expect(text).not.toContain('inverter_panel');
    expect(text).not.toMatch(/lengthM|breakerA/);
  });

  it('can be dropped by whoever may plan, and only read by an apprentice', () => {
    expect(changes(true)).toContain('Drop');
    expect(changes(false)).not.toContain('Drop');
    expect(changes(false)).not.toContain('Add a stage');
  });

  it('are nothing for a plan that is gone', () => {
    expect(words(shown(<Changes open={nothing} look={nothing} hold={hold()} plan="gone" mayPlan />))).toBe('');
  });
});

describe('what is live', () => {
  it("names every circuit and state, and puts the source's letter with its word", () => {
    for (const answer of Object.values(answers)) {
      const text = words(shown(<LiveTable answer={answer} plain />));
      for (const row of answer.table) expect(text).toContain(row.label);
      for (const state of answer.states) expect(text).toContain(state.title);
    }
    expect(words(shown(<LiveTable answer={answers['line/whole']!} plain />))).toMatch(/I works from inverter/);
  });

  it('heads circuits that hang on equipment, and not on a panel', () => {
    const answer = answers['line/whole']!;
    const row = { ...answer.table[0]!, panel: '', slot: 0, half: '', circuit: 'c_x', label: 'Outlet on the inverter' };
    const text = words(shown(<LiveTable answer={{ ...answer, table: [row as never, ...answer.table] }} plain />));
    expect(text).toContain('On equipment, no panel');
  });
});

describe('the meter', () => {
  const answer = answers['line/whole']!;
  const state = answer.states.find((s) => s.id === 'inverting')!;
  const setting = { controls: state.controls, surroundings: state.surroundings };
  const meter = (about: string | null) =>
    words(
      shown(
        <MeterPanel
          job={1}
          revision={29}
          view="line/whole"
          answer={answer}
          setting={setting}
          running={[]}
          about={about}
          touches={0}
        />,
      ),
    );

  it('has every function a technician carries, and asks where before it shows anything', () => {
    const text = meter(null);
    for (const f of [
      'AC volts',
      'low impedance',
      'Ohms',
      'AC clamp',
      'DC clamp',
      'Residual current',
      'GFCI button',
      'Plug-in tester',
      'detector',
    ])
      expect(text).toContain(f);
    expect(text).toContain('Touch a circuit or a plate on the wall');
    expect(text).toContain('Computed, not measured');
    expect(text).toContain('This state as SPICE AC side DC side');
  });

  it('offers the three readings of an outlet that was touched', () => {
    expect(meter('c_outlets')).toContain('hot – neutral hot – ground neutral – ground');
    expect(meter('bank')).not.toContain('hot – neutral');
  });
});

describe('sizes', () => {
  const sizes = (view: string, metric = false) =>
    words(shown(<SizePlace hold={hold()} viewId={view} setViewId={nothing} />, nothing, metric));

  it('say what governs each, with its source', () => {
    const size = answers['panel/whole']!.sizes[0]!;
    const text = sizes('panel/whole');
    for (const figure of size.figures) expect(text).toContain(figure.label);
    for (const choice of size.choices.filter((c) => c.possible)) expect(text).toContain(choice.spoken);
    for (const family of size.fuse.families) expect(text).toContain(family.label);
    expect(text).toContain('governs');
  });

  it('follow the switch of units', () => {
    expect(sizes('panel/whole')).toMatch(/round trip \d+ ft/);
    expect(sizes('panel/whole', true)).toMatch(/round trip \d+\.\d m/);
  });

  it('say that there is nothing to size rather than showing an empty table', () => {
    expect(sizes('as_found')).toContain('Nothing to size yet');
  });
});

describe('the sheet', () => {
  // Laid out beforehand: what is rendered here at once does not wait for it.
  beforeAll(async () => {
    for (const answer of Object.values(answers)) {
      const walls = [answers.as_found!.wall, answer.wall];
      remember(drawingKey(walls, false), await drawn(walls));
    }
  });
  const sheet = (view: string) =>
    shown(
      <MemoryRouter initialEntries={[`/jobs/1/sheet?view=${encodeURIComponent(view)}`]}>
        <Routes>
          <Route path="/jobs/:id/sheet" element={<SheetPlace />} />
        </Routes>
      </MemoryRouter>,
      (client) => client.setQueryData(['sheet', '1', view, undefined], design()),
    );

  it('tells first that it must not be built, counting only what the plan itself does', () => {
    const answer = answers['panel/whole']!;
    expect(words(sheet('panel/whole'))).toContain(
      `Do not build this as it stands: ${countOf(answer, 'danger')} dangers are open below`,
    );
    expect(answer.findings.length).toBeGreaterThan(ownFindings(answer).length);
  });

  it('carries every finding with its figures, what is impossible, sizes, changes and assumptions', () => {
    const answer = answers['panel/whole']!;
    const text = words(sheet('panel/whole'));
    for (const f of answer.findings) expect(text).toContain(f.title);
    for (const p of answer.prevented) expect(text).toContain(p.words);
    expect(text).toContain('Take out Tongue battery');
    expect(text).toContain('Assumed, not measured');
    expect(text).toContain('At a pedestal that is wired wrong');
    expect(text).toContain('rules ' + answer.rules);
  });

  it('gives the cautions on every sheet, and makes a wide wall smaller instead of cutting it off', () => {
    const html = sheet('line/whole');
    expect(words(html)).toContain('licensed');
    expect(html).toMatch(/--wall-w:\d+/);
  });
});

describe('counting findings', () => {
  const answer = answers['panel/whole']!;
  it('leaves out what takes a faulty pedestal', () => {
    expect(ownFindings(answer).every((f: Finding) => f.ways.kind !== 'outside')).toBe(true);
    expect(countOf(answer, 'danger') + countOf(answer, 'warning') + countOf(answer, 'advice')).toBe(
      ownFindings(answer).length,
    );
  });
  it('says one danger and two dangers', () => {
    expect([0, 1, 2].map((n) => counted(n, 'danger'))).toEqual(['0 dangers', '1 danger', '2 dangers']);
  });
});

describe('what is assumed', () => {
  it('stands part by part, in the units chosen', () => {
    const list = [
      { component: 'c_air', type: 'circuit', label: 'Air conditioner', what: '/breakerA', value: 20 },
      { component: 'c_air', type: 'circuit', label: 'Air conditioner', what: '/cable/lengthM', value: 5 },
      { component: 'ld', type: 'lead', label: 'Battery to fuse', what: '/cable/size', value: 'awg:6' },
    ];
    expect(words(shown(<Assumed assumptions={list} forms={forms} />))).toBe(
      'Air conditioner breaker ~20 A ; cable, length one way ~16 ft Battery to fuse cable, size ~6 AWG',
    );
    expect(words(shown(<Assumed assumptions={list} forms={forms} />, nothing, true))).toContain('~5.0 m');
  });
});

describe('a conflict', () => {
  const components = {
    c_air: { type: 'circuit', label: 'Air conditioner' },
    main_panel: { type: 'panel', label: 'Main panel' },
  };
  const at = (component: string | null, path: string, isValue = true, yours: unknown = 1, theirs: unknown = 2) => ({
    pointer: '',
    component,
    path,
    isValue,
    yours,
    theirs,
    by: 'Maren Voss: surveyed',
    who: 'Maren Voss',
  });
  const say = (place: ReturnType<typeof at>, value: unknown) => {
    const told = conflictWords(place, components, forms, makeUnits('trade'));
    return `${told.where} = ${told.say(value)}`;
  };
  it('is told by the part and the place, with values as they are said', () => {
    expect(say(at('c_air', '/breakerA'), { value: 20, basis: 'read_off' })).toBe('Air conditioner: breaker = 20 A');
    expect(say(at('c_air', '/breakerA'), 15)).toBe('Air conditioner: breaker = 15 A');
    expect(say(at('c_air', '/cable/lengthM'), 5)).toBe('Air conditioner: cable, length one way = 16 ft');
    expect(say(at('c_air', '/hot'), { panel: 'main_panel', slot: 4 })).toBe(
      'Air conditioner: where the hot lands = Main panel, slot 4',
    );
  });
  it('is told once for a value, not again for who said it and when', () => {
    const length = (isValue: boolean, yours: unknown, theirs: unknown) =>
      at('c_air', '/cable/lengthM', isValue, yours, theirs);
    const value = length(true, 5.5, 3.66);
    expect(
      conflictPlaces([
        value,
        length(false, 'told', 'told'),
        length(false, 'Idris', 'Maren'),
        length(false, '5.5 m', '12 ft'),
      ]),
    ).toEqual([value]);
    expect(conflictPlaces([length(false, 'told', 'measured')])).toHaveLength(1);
    expect(say(length(false, 'told', 'measured'), 'measured')).toBe(
      'Air conditioner: cable, length one way, how it is known = measured',
    );
  });
  it('is told by what it is called where it is about no part', () => {
    expect(say(at(null, 'needs offGrid'), null)).toBe('needs offGrid = taken out');
    expect(say(at('c_air', ''), undefined)).toBe('Air conditioner = taken out');
  });
});

describe('the survey', () => {
  const survey = (d?: Design) => shown(<SurveyPlace hold={hold(d)} viewId="as_found" setViewId={nothing} />);
  const components = document.asFound.components;
  const circuits = Object.values(components).filter((c) => c.type === 'circuit');

  it('lists every circuit with where it lands, and every other part in its group', () => {
    const text = words(survey());
    for (const part of Object.values(components)) expect(text).toContain(part.label);
    for (const c of circuits) {
      const hot = c.hot as { panel?: string; slot?: number; half?: string };
      if (hot.panel) expect(text).toContain(`${hot.slot}${hot.half ?? ''} ${c.label}`);
    }
  });

  it('shows what is assumed as assumed, with its tick, and says how much of it there is', () => {
    const html = survey();
    const assumed = answers.as_found!.assumptions.length;
    expect(words(html)).toContain(`all ${assumed} as shown`);
    expect(words(html)).toMatch(/~\d+ A/);
    expect(html.match(/class="confirm"/g)!.length).toBeGreaterThan(assumed / 2);
  });

  it('says where a neutral stayed when it is not with its hot', () => {
    const apart = structuredClone(document);
    (apart.asFound.components.c_outlets as Record<string, unknown>).neutral = { panel: 'elsewhere' };
    apart.asFound.components.elsewhere = { type: 'panel', label: 'Old box' } as never;
    expect(words(survey(design({ document: apart })))).toContain(', neutral Old box');
    expect(words(survey())).not.toContain(', neutral');
  });

  it('starts from a layout while nothing is surveyed', () => {
    const empty = structuredClone(document);
    empty.asFound.components = {};
    const html = shown(<SurveyPlace hold={hold(design({ document: empty }))} viewId="as_found" setViewId={nothing} />);
    expect(words(html)).toContain('What does it look most like?');
    for (const l of reference.layouts) expect(words(html)).toContain(`${l.title} ${l.summary}`);
  });
});

describe('what must run', () => {
  it('asks of every circuit and every load, and shows what was said', () => {
    const html = shown(<NeedsPanel hold={hold()} />);
    const text = words(html);
    for (const c of Object.values(document.asFound.components))
      if (c.type === 'circuit') expect(text).toContain(c.label);
    for (const s of Object.values(document.needs.scenarios ?? {})) expect(text).toContain(`Together: ${s.title}`);
    const said = Object.keys(document.needs.offGrid ?? {}).length;
    const running = Object.values(document.needs.scenarios ?? {}).reduce(
      (n, s) => n + Object.keys(s.running).length,
      0,
    );
    expect(html.match(/checked=""/g)!.length).toBe(said + running);
  });
});

describe('rules and tables', () => {
  const text = words(
    shown(
      <MemoryRouter>
        <ReferencePlace />
      </MemoryRouter>,
      (client) =>
        client.setQueryData(['reference'], {
          version: '2026.9',
          forms,
          layouts: [],
          arrangements: [],
          rules: [
            {
              id: 'r',
              severity: 'danger',
              title: 'Two sources joined',
              explanation: 'Never.',
              source: 'NFPA 70 (value from memory)',
            },
          ],
          conductors: [
            {
              designation: 'awg:12',
              spoken: '12 AWG',
              areaMm2: 3.31,
              mohmPerM20C: 5.211,
              ampacity: { marine: 45, branch: 20 },
            },
          ],
        }),
    ),
  );
  it('carry their version, their source, and that values are from memory', () => {
    expect(text).toContain('Rules, version 2026.9');
    expect(text).toContain('Two sources joined Never. danger · NFPA 70 (value from memory)');
    expect(text).toContain('check them against a printed copy');
  });
  it('show a dash where a school has no value, never a guess', () => {
    expect(text).toContain('12 AWG 3.31 mm² 5.211 mΩ/m 45 A – 20 A –');
  });
});

describe('a number asked of a plan', () => {
  const said = async (f: ReturnType<typeof field>, value: unknown): Promise<string> => {
    for (const rule of within(f)) {
      try {
        await rule.validator(null, value);
      } catch (e) {
        return (e as Error).message;
      }
    }
    return 'right';
  };
  const surge = field('number', 'Inverter, surge', { min: 150, max: 10000, unit: 'W' });
  const fuse = field('integer', 'Main fuse, A', { min: 20, max: 600 });

  it('is said to be out of bounds, with what would be right', async () => {
    expect(await said(surge, -5)).toBe('150 to 10000 W.');
    expect(await said(surge, 10001)).toBe('150 to 10000 W.');
    expect(await said(fuse, 1.5)).toBe('20 to 600.');
    expect(await said(fuse, 300.5)).toBe('A whole number.');
  });

  it('passes at its bounds, and when it is left empty', async () => {
    for (const value of [150, 10000, undefined, null]) expect(await said(surge, value)).toBe('right');
    expect(await said(fuse, 400)).toBe('right');
  });

  it('is no matter for what is chosen from a list', () => {
    expect(within(field('choice', 'Poles', { choices: { one: 'hot only' } }))).toEqual([]);
    expect(within(field('flag', 'Assists'))).toEqual([]);
  });
});

beforeAll(() => {
  // The sheet sets the page's theme; the tests run without a page.
  Object.assign(globalThis, { localStorage: { getItem: () => null, setItem: nothing } });
});
