import { Button, Input } from 'antd';
import clsx from 'clsx';
import { useState } from 'react';
import type { Ask, Step } from '../api/client';
import { useMe } from '../shell/Session';
import { type System, useUnits } from '../shell/units';
import { Camera, carried } from './Camera';
import { bandIn, figureIn, readFigure, shownIn } from './figures';
import { inTurn, isOtherwise } from './fold';
import type { Arrow } from './PhotoMark';
import { Reason } from './Reason';
import { Shots, shots } from './Shots';
import type { BuildHold } from './useBuild';
import { band, when } from './words';
import { t } from '../words/t';

/** What a lead alone signs for. */
const SIGNED = 'signed';

interface Props {
  ask: Ask;
  step: Step;
  hold: BuildHold;
  disabled: boolean;
}

/** One thing to record: a tick as large as a thumb, a figure with its band, words, a photograph. */
export function AskRow(given: Props) {
  const me = useMe();
  const units = useUnits();
  const { ask, step, hold } = given;
  // What somebody else may not sign is not taken later either: said here, not refused days after.
  const state = hold.states[step.id]!;
  const first = inTurn(step, state, ask.id);
  const props = {
    ...given,
    disabled: given.disabled || (ask.id === SIGNED && me?.role !== 'lead') || first !== null,
  };
  const answer = state.answers[ask.id];
  const conflict = state.conflicts[ask.id];
  const write = (says: Record<string, unknown>) => hold.write('value', step.id, { ask: ask.id, ...says });
  return (
    <div
      className={clsx(
        'ask',
        `ask-${ask.kind}`,
        ((answer && answer.right !== false) || (ask.kind === 'tick' && isOtherwise(state, ask))) && 'is-right',
        answer && answer.right === false && ask.kind !== 'tick' && 'is-wrong',
        conflict && 'is-twice',
      )}
    >
      {ask.kind === 'tick' && <Tick {...props} write={write} />}
      {ask.kind === 'number' && <Figure {...props} write={write} />}
      {ask.kind === 'reckoned' && <Reckoned {...props} />}
      {ask.kind === 'text' &&
        (ask.options.length > 0 ? <Choice {...props} write={write} /> : <Words {...props} write={write} />)}
      {ask.kind === 'photo' && <Picture {...props} />}

      {ask.otherwise !== '' && <Otherwise {...given} waits={first !== null} />}
      {conflict && (
        <div className="ask-twice" role="alert">
          <b>{t('build.twice')}</b>
          {conflict.map((c) => (
            <Button
              key={`${c.tablet}${c.at}`}
              disabled={props.disabled}
              onClick={() =>
                void write(
                  typeof c.value === 'number'
                    ? { number: c.value }
                    : typeof c.value === 'boolean'
                      ? { tick: c.value }
                      : { words: String(c.value) },
                )
              }
            >
              {t('build.itIs', { value: told(ask, c.value, units.system), by: c.by, at: when(c.at) })}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}

/** Another way in which it was opened or measured, where the one asked for cannot be had. */
function Otherwise({ ask, step, hold, disabled, waits }: Props & { waits: boolean }) {
  const me = useMe();
  const way = hold.states[step.id]!.answers[ask.otherwise];
  const said = String(way?.value ?? '');
  const taken = hold.states[step.id]!.answers[ask.id];
  if (said !== '')
    return (
      <p className="ask-otherwise">
        <b>{t('build.otherwise')}</b> {said}{' '}
        <span className="ask-by">{way && t('build.byAt', { by: way.by, at: when(way.at) })}</span>
      </p>
    );
  // What was taken as asked needs no other way; apprentices find none.
  if (hold.states[step.id]!.status === 'waiting') return null;
  if (disabled || waits || me?.role === 'apprentice' || (taken !== undefined && taken.right !== false)) return null;
  return (
    <div className="ask-otherwise">
      <Reason
        open={t('build.anotherWay')}
        ask={ask.kind === 'tick' ? t('build.howElseOpened') : t('build.howElseMeasured')}
        substance
        save={(words) => void hold.write('value', step.id, { ask: ask.otherwise, words })}
      />
    </div>
  );
}

/** An answer as it is read, in the units chosen. */
export const told = (ask: Ask | undefined, value: unknown, system: System) =>
  ask && typeof value === 'number' ? figureIn(ask, value, system) : shown(value);

const shown = (value: unknown) =>
  typeof value === 'boolean' ? (value ? t('build.yes') : t('build.no')) : value === null ? '' : String(value);

type Writing = Props & { write: (says: Record<string, unknown>) => Promise<void> };

function Tick({ ask, step, hold, disabled, write }: Writing) {
  const answer = hold.states[step.id]!.answers[ask.id];
  const on = answer?.value === true;
  return (
    <button
      type="button"
      className="ask-tap"
      role="checkbox"
      aria-checked={on}
      disabled={disabled}
      onClick={() => void write({ tick: !on })}
    >
      <span className="ask-words">
        <b>{ask.words}</b>
        {(ask.why || !ask.required) && <small>{ask.why || t('build.ifIt')}</small>}
      </span>
      {on && answer && <span className="ask-by">{t('build.byAt', { by: answer.by, at: when(answer.at) })}</span>}
      <span className="ask-box" aria-hidden="true">
        {on && (
          <svg viewBox="0 0 24 24">
            <path d="m5 12 5 5 9-11" />
          </svg>
        )}
      </span>
    </button>
  );
}

/** A number with its unit; words typed into it are told, not lost. */
function Figure({ ask, step, hold, disabled, write }: Writing) {
  const units = useUnits();
  const { system } = units;
  const answer = hold.states[step.id]!.answers[ask.id];
  const [text, setText] = useState<string | null>(null);
  const [trouble, setTrouble] = useState('');
  const unit = shownIn(ask, system).unit;
  const typed = text ?? (answer ? told(ask, answer.value, system) : '');
  const keep = () => {
    if (text === null || text.trim() === '') return;
    const read = readFigure(text, ask, system);
    if ('trouble' in read) {
      setTrouble(t(read.trouble, { unit }));
      return;
    }
    setTrouble('');
    setText(null);
    void write(read);
  };
  return (
    <label className="ask-line">
      <span className="ask-words">
        <b>{ask.words}</b>
        <small>{[band(bandIn(ask, system)), units.said(ask.why)].filter(Boolean).join(' · ')}</small>
        {answer && <small className="ask-by">{t('build.byAt', { by: answer.by, at: when(answer.at) })}</small>}
        {trouble && (
          <small className="ask-trouble" role="alert">
            {trouble}
          </small>
        )}
      </span>
      <Input
        size="large"
        className="ask-figure"
        inputMode="decimal"
        aria-label={ask.words}
        disabled={disabled}
        value={typed}
        suffix={unit || undefined}
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onPressEnter={keep}
      />
    </label>
  );
}

/** What follows from the figures above it: worked out here, written down by nobody. */
function Reckoned({ ask, step, hold }: Pick<Props, 'ask' | 'step' | 'hold'>) {
  const answer = hold.states[step.id]!.answers[ask.id];
  return (
    <div className="ask-line">
      <span className="ask-words">
        <b>{ask.words}</b>
        <small>{[band(ask), ask.why].filter(Boolean).join(' · ')}</small>
      </span>
      <output className="ask-follows figures">
        {answer ? `${Number(Number(answer.value).toPrecision(3))} ${ask.unit}` : t('build.followsFrom')}
      </output>
    </div>
  );
}

/** What a tester shows: one of a few words, each as large as a thumb. */
function Choice({ ask, step, hold, disabled, write }: Writing) {
  const answer = hold.states[step.id]!.answers[ask.id];
  return (
    <div className="ask-choice">
      <span className="ask-words">
        <b>{ask.words}</b>
        <small>{ask.why}</small>
        {answer && <small className="ask-by">{t('build.byAt', { by: answer.by, at: when(answer.at) })}</small>}
      </span>
      <span role="radiogroup" aria-label={ask.words}>
        {[...ask.options]
          .sort((a, b) => Number(b === ask.expected) - Number(a === ask.expected))
          .map((o) => (
            <button
              key={o}
              type="button"
              role="radio"
              aria-checked={answer?.value === o}
              disabled={disabled}
              className={o === ask.expected ? 'is-expected' : ''}
              onClick={() => void write({ words: o })}
            >
              {o}
            </button>
          ))}
      </span>
    </div>
  );
}

function Words({ ask, step, hold, disabled, write }: Writing) {
  const answer = hold.states[step.id]!.answers[ask.id];
  const [text, setText] = useState<string | null>(null);
  const keep = () => {
    if (text === null || text.trim() === '' || text.trim() === answer?.value) return;
    setText(null);
    void write({ words: text.trim() });
  };
  return (
    <label className="ask-line">
      <span className="ask-words">
        <b>{ask.words}</b>
        <small>{ask.why || (ask.required ? '' : t('build.ifAny'))}</small>
      </span>
      <Input
        size="large"
        className="ask-text"
        aria-label={ask.words}
        maxLength={500}
        disabled={disabled}
        value={text ?? (answer ? shown(answer.value) : '')}
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onPressEnter={keep}
      />
    </label>
  );
}

/** Photographs: kept here until they have gone, and seen with what was drawn on them. */
function Picture({ ask, step, hold, disabled }: Props) {
  const taken = shots(hold).filter((s) => s.step === step.id && s.ask === ask.id);
  const keep = async (picture: Blob, arrows: Arrow[], words: string) => {
    const component = step.components[0] ?? `step.${step.id}`;
    const sha256 = await hold.picture(component, picture);
    const said = words ? { words } : {};
    await hold.write('photo', step.id, { sha256, component, ask: ask.id, ...said, ...carried(arrows) });
  };
  return (
    <>
      <div className="ask-line">
        <span className="ask-words">
          <b>{ask.words}</b>
          <small>
            {taken.length > 0 ? t('build.photos', { count: taken.length }) : ask.required ? '' : t('build.ifAny')}
          </small>
        </span>
        <Camera what={ask.words} disabled={disabled} keep={keep} />
      </div>
      <Shots hold={hold} of={taken} what={ask.words} />
    </>
  );
}
