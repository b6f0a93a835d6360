import './Wall.css';
import './symbols/symbols.css';
import type { Answer, Finding } from '../api/client';
import { routeKey } from './flow/graph';
import { labelPoint, type Geometry } from './measures';
import { ribbonPaint, witnessSteps } from './paint';
import { Face } from './symbols/Face';
import { Foot } from './symbols/Foot';
import { Fork } from './symbols/Fork';
import { Ground } from './symbols/Ground';
import { Mark } from './symbols/Mark';
import { Plate } from './symbols/Plate';
import { Ribbon } from './symbols/Ribbon';
import { Return } from './symbols/Return';
import { RibbonWords } from './symbols/RibbonWords';
import { Tray } from './symbols/Tray';
import { t } from '../words/t';

export interface WallProps {
  answer: Answer;
  state: string;
  scenario: string | null;
  geometry: Geometry;
  focus: Finding | null;
  /** parts, circuits and cables that are meant, beside those of the finding */
  lit?: readonly string[];
  chosen: string | null;
  onChoose: (component: string | null) => void;
  /** opens a part, a circuit or a cable where it stands */
  onOpen?: ((component: string) => void) | undefined;
  /** whether what is drawn is a part of its own; a cord and outlets on a unit are not */
  opens?: (component: string) => boolean;
  onMove?: (circuit: string) => void;
  movable: boolean;
  /** volts at outlets, shown instead of ratings */
  volts?: Record<string, number> | null;
  /** set while controls are in somebody's hands: touching a breaker moves it */
  onToggle?: ((device: string) => void) | undefined;
}

/** One picture of the rig's electrical system in one state. */
export function Wall({
  answer,
  state,
  scenario,
  geometry,
  focus,
  lit = [],
  chosen,
  onChoose,
  onOpen,
  onMove,
  movable,
  volts,
  onToggle,
}: WallProps) {
  const { wall } = answer;
  const paint = answer.paint[state];
  const amps = scenario ? answer.amps[state]?.[scenario] : undefined;
  const steps = witnessSteps(focus, wall.links);
  const concerned = new Set([...(focus?.components ?? []), ...lit]);
  const worst = new Map<string, Finding['severity']>();
  for (const f of answer.findings)
    for (const c of f.components.slice(0, 1)) if (!worst.has(c)) worst.set(c, f.severity);
  const moved = new Map((paint?.moves ?? []).map((m, i) => [m.component, { ...m, order: i + 1 }]));

  return (
    <div
      className={`wall ${focus?.severity === 'danger' ? '' : 'focus-mild'}`}
      style={{ width: geometry.width, height: geometry.height }}
      role="group"
      aria-label={t('wall.theWall')}
    >
      <svg className="wall-lines" width={geometry.width} height={geometry.height} aria-hidden="true">
        <Ground geometry={geometry} />
        {wall.links.map((link) => {
          const route = geometry.routes[routeKey(link)];
          if (!route) return null;
          return (
            <Ribbon
              key={link.id}
              link={link}
              route={route}
              paint={ribbonPaint(link, paint, amps)}
              step={steps.get(link.id)}
              lit={lit.includes(link.id)}
              chosen={chosen === link.id}
              onChoose={() => onChoose(chosen === link.id ? null : link.id)}
              onOpen={onOpen ? () => onOpen(link.id) : undefined}
            />
          );
        })}
        {/* Figures after all ribbons: none runs over one. */}
        {wall.links.map((link) => {
          const route = geometry.routes[routeKey(link)];
          return (
            route && <RibbonWords key={link.id} link={link} route={route} paint={ribbonPaint(link, paint, amps)} />
          );
        })}
        {Object.entries(wall.trays).flatMap(([, tray]) =>
          tray.rows
            .filter((r) => r.circuit && r.strayNeutral && geometry.forks[r.circuit])
            .map((row) => (
              <Fork
                key={row.circuit}
                route={geometry.forks[row.circuit!]!}
                live={['live', 'ground'].includes(paint?.circuits[row.circuit!]?.kind ?? '')}
                lit={concerned.has(row.circuit!)}
              />
            )),
        )}
        {Object.entries(geometry.feet)
          .filter(([id]) => wall.plates[id])
          .map(([id, foot]) => (
            <Foot key={id} foot={foot} sill={geometry.sill} />
          ))}
      </svg>
      {Object.entries(wall.plates).map(([id, plate]) => {
        const box = geometry.plates[id];
        if (!box) return null;
        const common = {
          id,
          plate,
          box,
          lit: concerned.has(id),
          danger: focus?.severity === 'danger',
          worst: worst.get(id),
          chosen: chosen === id,
          onChoose: () => onChoose(chosen === id ? null : id),
          onOpen: onOpen ? () => onOpen(id) : undefined,
        };
        if (plate.shape === 'tray') {
          return (
            <Tray
              key={id}
              {...common}
              answer={answer}
              state={state}
              amps={amps}
              geometry={geometry}
              concerned={concerned}
              worstOf={worst}
              onMove={onMove}
              movable={movable}
              chosenRow={chosen}
              onChooseRow={onChoose}
              onOpenRow={onOpen}
              volts={volts}
              onToggle={onToggle}
            />
          );
        }
        return (
          <Plate key={id} {...common} moved={moved.get(id) !== undefined}>
            <Face id={id} plate={plate} answer={answer} state={state} amps={amps} moved={moved.get(id)} />
          </Plate>
        );
      })}
      <svg className="wall-marks" width={geometry.width} height={geometry.height} aria-hidden="true">
        {wall.links.map((link) => {
          const at = geometry.returns[routeKey(link)];
          if (!at) return null;
          const ends = [link.from.c, link.to.c].map((c) => wall.plates[c]?.label ?? '');
          return (
            <Return
              key={link.id}
              link={link}
              at={at}
              home={ends.join(' – ')}
              wrong={worst.get(link.id) === 'danger'}
              chosen={chosen === link.id}
              onChoose={() => onChoose(chosen === link.id ? null : link.id)}
              onOpen={onOpen ? () => onOpen(link.id) : undefined}
            />
          );
        })}
        {wall.links.map((link) => {
          const step = steps.get(link.id);
          const route = geometry.routes[routeKey(link)];
          if (step === undefined || !route) return null;
          const at = labelPoint(route);
          // Beside the letter, where the ribbon is long enough to carry both.
          const lettered = !at.flat && route.length > 2 && ribbonPaint(link, paint, amps).letter !== null;
          return <Mark key={link.id} x={at.x} y={at.y + (lettered ? 22 : 0)} n={step} kind="step" />;
        })}
      </svg>
    </div>
  );
}
