import { readFileSync } from 'node:fs';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Answer, Finding } from '../api/client';
import { FindingsRail } from './FindingsRail';
import { OfferList, type Offer } from './Offers';
import { RailTabs } from './RailTabs';
import { nothing, words } from '../testing';

const answers = JSON.parse(readFileSync('storage/fixtures/demo.json', 'utf8')) as Record<string, Answer>;
const planned = answers['panel/whole']!;
const line = answers['line/whole']!;

interface Options {
  focus?: Finding | null;
  offers?: ((f: Finding) => ReactNode) | null;
  chosen?: string | null;
  move?: ((circuit: string) => void) | null;
}

const rail = (answer: Answer, { focus = null, offers = () => null, chosen = null, move = nothing }: Options = {}) =>
  renderToStaticMarkup(
    <FindingsRail
      answer={answer}
      focus={focus}
      pick={nothing}
      offers={offers}
      chosen={chosen}
      unchoose={nothing}
      move={move}
      open={null}
      forms={undefined}
    />,
  );

const loop = planned.findings.find((f) => f.rule === 'charging_loop')!;
const split = planned.findings.find((f) => f.rule === 'split_return' && f.severity === 'danger')!;

describe('the findings', () => {
  it('are all there, worst first, with how many states were checked', () => {
    const text = words(rail(planned));
    for (const f of planned.findings) expect(text).toContain(f.title);
    expect(text).toContain('98 304 states checked');
    expect(text.indexOf('The bank charges itself')).toBeLessThan(text.indexOf('No GFCI protection'));
  });

  it('stand beneath their cause', () => {
    const html = rail(planned);
    const cause = html.indexOf('Hot without its neutral');
    const follows = html.indexOf('and from it follows', cause);
    expect(follows).toBeGreaterThan(cause);
    expect(html.indexOf('Inlet pins hot with nothing plugged in')).toBeGreaterThan(follows);
    expect(html.match(/Inlet pins hot with nothing plugged in/g)).toHaveLength(1);
  });

  it('open with text, figures, remedies and source', () => {
    const text = words(rail(planned, { focus: loop }));
    expect(text).toContain(loop.text);
    expect(text).toContain('277 W');
    expect(text).toContain('519 Ah a day');
    expect(text).toContain('common practice, no source');
  });

  it('show what helps where they are opened, and nowhere else', () => {
    const html = rail(planned, { focus: loop, offers: (f) => <p>helps against {f.rule}</p> });
    expect(words(html)).toContain('helps against charging_loop');
    expect(html.match(/helps against/g)).toHaveLength(1);
  });

  it('offer no buttons to somebody who may not plan, but say what would help', () => {
    const html = rail(planned, { focus: loop, offers: null });
    expect(html).not.toContain('class="ant-btn remedy');
    expect(words(html)).toContain('In a plan: move converter to main panel');
  });

  it('tell memory from hardware and from bad luck', () => {
    expect(words(rail(planned))).toContain('always');
    expect(words(rail(line))).toContain('when shore fails');
  });

  it('of one part alone when it is in hand, with what can be done with it', () => {
    const text = words(rail(planned, { chosen: 'c_outlets' }));
    expect(text).toContain('Bench lights and outlets');
    expect(text).toContain('Move …');
    expect(text).toContain('Hot without its neutral');
    expect(text).not.toContain('The bank charges itself');
    expect(words(rail(planned, { chosen: 'shunt' }))).toContain('Nothing found about it.');
    expect(words(rail(planned, { chosen: 'c_outlets', move: null }))).not.toContain('Move …');
  });
});

describe('what is made impossible', () => {
  it('is told with what does it and what undoes it', () => {
    const text = words(rail(line));
    expect(text).toContain('Made impossible here');
    for (const p of line.prevented) {
      expect(text).toContain(`by ${p.by}`);
      for (const way of p.undoneBy) expect(text).toContain(way.words);
    }
    expect(text).toContain('undone by one failure');
  });
});

describe('what is assumed', () => {
  it('is listed and counted', () => {
    const text = words(rail(planned));
    expect(text).toContain(`${planned.assumptions.length} values assumed, not measured`);
    expect(text).toContain('~200');
  });
});

describe('on a tablet', () => {
  it('stands folded away with how many dangers there are', () => {
    const dangers = planned.findings.filter((f) => f.severity === 'danger' && f.ways.kind !== 'outside').length;
    const folded = words(renderToStaticMarkup(<RailTabs fold={null} answer={planned} shown={null} choose={nothing} />));
    expect(folded).toContain(`Findings ! ${dangers}`);
    const open = renderToStaticMarkup(<RailTabs fold={null} answer={planned} shown="findings" choose={nothing} />);
    expect(open.match(/aria-selected="true"/g)).toHaveLength(1);
    expect(words(open)).not.toContain(`Findings ! ${dangers}`);
  });
});

describe('an answer without findings', () => {
  it('does not claim more than was checked', () => {
    const clean: Answer = { ...planned, findings: [], prevented: [] };
    expect(words(rail(clean))).toContain('Nothing found in the states checked. What was not surveyed was not checked.');
  });

  it('claims no more of what was made impossible than was proven', () => {
    const firm = { ...line.prevented[0]!, undoneBy: [] };
    expect(words(rail({ ...line, prevented: [firm] }))).not.toContain('as far as was checked');
    const near = words(rail({ ...line, prevented: [{ ...firm, proven: false }] }));
    expect(near).toContain('as far as was checked');
    expect(near).toContain('survives any single failure that was tried');
  });

  it('says what was checked as the answer words it', () => {
    const near = 'too many to check: of about 10^40 states the named ones and those within two slips of them';
    expect(words(rail({ ...planned, checked: { ...planned.checked, all: false, words: near } }))).toContain(near);
  });
});

it('counts dangers by severity at its head', () => {
  const dangers = planned.findings.filter((f) => f.severity === 'danger' && f.ways.kind !== 'outside').length;
  expect(words(rail(planned))).toMatch(new RegExp(`^Findings ! ${dangers} ▲ \\d+`));
  expect(split.severity).toBe('danger');
});

describe('what helps against a finding', () => {
  const offer: Offer = {
    label: 'Use a 15 A breaker for Awning',
    effect: 'suits the cable that is there',
    intent: {},
    result: 'clears',
    work: 'device',
    workWords: 'one device where wires end already',
    clears: ['Overload: awning'],
    brings: [
      { severity: 'advice', title: 'Near its limit: awning', outside: false },
      { severity: 'warning', title: 'Hot skin', outside: true },
    ],
  };

  it('says what it costs, what else it clears and what it brings', () => {
    const text = words(
      renderToStaticMarkup(
        <OfferList
          offers={[offer, { ...offer, label: 'Run 12 AWG', result: 'eases', clears: [], brings: [] }]}
          busy={false}
          take={nothing}
        />,
      ),
    );
    expect(text).toContain('suits the cable that is there · one device where wires end already');
    expect(text).toContain('also clears: overload: awning');
    expect(text).toContain('then to see to: near its limit: awning');
    expect(text).toContain('at a faulty pedestal: hot skin');
    expect(text).toContain('Run 12 AWG eases it ·');
    expect(text.match(/also clears/g)).toHaveLength(1);
  });

  it('says so when nothing was seen to help', () => {
    expect(words(renderToStaticMarkup(<OfferList offers={[]} busy={false} take={nothing} />))).toContain(
      'Plan it by hand.',
    );
  });
});
