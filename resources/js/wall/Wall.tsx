import { useDraggable, useDroppable } from '@dnd-kit/core';
import { type CSSProperties, type KeyboardEvent, type ReactNode } from 'react';
import type { Answer, Finding, Link, Plate, Row } from '../api/client';
import { useUnits } from '../shell/units';
import { rowKey, routeKey, type Box, type Geometry, type Point } from './layout';
import { ribbonPaint, SOURCE_WORDS, witnessSteps, type RibbonPaint } from './paint';

export interface WallProps {
  answer: Answer;
  state: string;
  scenario: string | null;
  geometry: Geometry;
  focus: Finding | null;
  chosen: string | null;
  onChoose: (component: string | null) => void;
  onMove?: (circuit: string) => void;
  movable: boolean;
  /** volts at outlets, shown instead of ratings */
  volts?: Record<string, number> | null;
  /** set while controls are in somebody's hands: touching a breaker moves it */
  onToggle?: ((device: string) => void) | undefined;
}

/** One picture of the rig's electrical system in one state. */
export function Wall({ answer, state, scenario, geometry, focus, chosen, onChoose, onMove, movable, volts, onToggle }: WallProps) {
  const { wall } = answer;
  const paint = answer.paint[state];
  const amps = scenario ? answer.amps[state]?.[scenario] : undefined;
  const steps = witnessSteps(focus, wall.links);
  const concerned = new Set(focus?.components ?? []);
  const worst = new Map<string, Finding['severity']>();
  for (const f of answer.findings) for (const c of f.components.slice(0, 1)) if (!worst.has(c)) worst.set(c, f.severity);
  const moved = new Map((paint?.moves ?? []).map((m, i) => [m.component, { ...m, order: i + 1 }]));

  return (
    <div
      className={`wall ${focus && focus.severity !== 'danger' ? 'focus-mild' : ''}`}
      style={{ width: geometry.width, height: geometry.height }}
      role="group"
      aria-label="The wall"
    >
      <svg className="wall-lines" width={geometry.width} height={geometry.height} aria-hidden="true">
        <defs>
          <pattern id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="9" className="hatch" />
          </pattern>
        </defs>
        <line x1={0} x2={geometry.width} y1={geometry.deckTop} y2={geometry.deckTop} className="waterline" />
        <text x={geometry.width - 8} y={geometry.deckTop - 6} textAnchor="end" className="note">
          120 V
        </text>
        <text x={geometry.width - 8} y={geometry.deckTop + 14} textAnchor="end" className="note">
          12 V
        </text>
        <rect {...rect(geometry.sill)} className="sill" />
        <rect {...rect(geometry.sill)} fill="url(#hatch)" />
        {wall.links.map((link) => {
          const route = geometry.routes[routeKey(link)];
          if (!route) return null;
          return <Ribbon key={link.id} link={link} route={route} paint={ribbonPaint(link, paint, amps)} step={steps.get(link.id)} />;
        })}
        {/* Figures after all ribbons: none runs over one. */}
        {wall.links.map((link) => {
          const route = geometry.routes[routeKey(link)];
          return route && <RibbonWords key={link.id} link={link} route={route} paint={ribbonPaint(link, paint, amps)} />;
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
            <g key={id}>
              <path d={`M${foot.x} ${foot.y}v9`} className="foot" />
              <Mark x={foot.x} y={foot.y + 15} n={foot.number} kind="ground" />
              <Mark x={foot.sillX} y={geometry.sill.y} n={foot.number} kind="ground" />
            </g>
          ))}
        <text x={12} y={geometry.sill.y + 17} className="note strong">
          frame
        </text>
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
              volts={volts}
              onToggle={onToggle}
            />
          );
        }
        return (
          <PlateCard key={id} {...common} moved={moved.get(id) !== undefined}>
            <PlateFacts id={id} plate={plate} answer={answer} state={state} amps={amps} moved={moved.get(id)} />
          </PlateCard>
        );
      })}
      <svg className="wall-marks" width={geometry.width} height={geometry.height} aria-hidden="true">
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

function rect(box: Box) {
  return { x: box.x, y: box.y, width: box.w, height: box.h };
}

function path(points: Point[]): string {
  return points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join('');
}

/** Middle of the longest stretch, where a ribbon is labelled. */
function labelPoint(points: Point[]): { x: number; y: number; flat: boolean } {
  let best = { x: points[0]!.x, y: points[0]!.y, flat: true };
  let longest = -1;
  points.slice(1).forEach((b, i) => {
    const a = points[i]!;
    const length = Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
    if (length > longest) {
      longest = length;
      best = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, flat: a.y === b.y };
    }
  });
  return best;
}

function Ribbon({ link, route, paint, step }: { link: Link; route: Point[]; paint: RibbonPaint; step: number | undefined }) {
  const units = useUnits();
  const d = path(route);
  return (
    <g className={`ribbon ribbon-${link.kind} on-${paint.pattern}`}>
      {step !== undefined && <path d={d} className="halo" />}
      <title>{`${link.size ? `${units.size(link.size)} · ${units.length(link.lengthM ?? 0)}` : link.label}${paint.amps !== null ? `, ${paint.amps.toFixed(1)} A` : ''}`}</title>
      {link.kind === 'bond' ? (
        <path d={d} className="bondline" />
      ) : (
        <>
          <path d={d} className="casing" />
          <path d={d} className="core" />
          <path d={d} className="beads" />
        </>
      )}
      {paint.charging && <Arrows route={route} back={paint.charging === 'back'} />}
    </g>
  );
}

/** What a 120 V ribbon carries, and from which source. */
function RibbonWords({ link, route, paint }: { link: Link; route: Point[]; paint: RibbonPaint }) {
  const units = useUnits();
  const at = labelPoint(route);
  if (Math.abs(route[0]!.x - route.at(-1)!.x) + Math.abs(route[0]!.y - route.at(-1)!.y) < 40) return null;
  return (
    <g className={`ribbon-words on-${paint.pattern}`}>
      {at.flat && link.kind === 'ac' && (paint.amps !== null || paint.pattern === 'dead') && (
        <text x={at.x} y={at.y - 9} textAnchor="middle" className={`note ${link.assumed ? 'is-assumed' : ''}`}>
          {paint.amps !== null
            ? `${paint.amps.toFixed(1)} A`
            : link.size
              ? `${(link.parallel ?? 1) > 1 ? `${link.parallel} × ` : ''}${units.size(link.size)}`
              : link.label}
        </text>
      )}
      {paint.letter && paint.pattern !== 'soft' && (
        <Mark x={at.x} y={at.y} n={paint.exchanged ? `${paint.letter}!` : paint.letter} kind="letter" />
      )}
    </g>
  );
}

/** Arrows on a lead that charges, away from the charger. */
function Arrows({ route, back }: { route: Point[]; back: boolean }) {
  const points = back ? [...route].reverse() : route;
  const at = labelPoint(points);
  const i = points.findIndex((p, n) => n > 0 && ((p.x + points[n - 1]!.x) / 2 === at.x || (p.y + points[n - 1]!.y) / 2 === at.y));
  const a = points[Math.max(0, i - 1)]!;
  const b = points[Math.max(1, i)]!;
  const angle = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  return (
    <g className="arrows">
      {[-26, 0, 26].map((s) => (
        <path
          key={s}
          d="M-5 -5L6 0L-5 5Z"
          transform={`translate(${at.x + s * Math.cos((angle * Math.PI) / 180)} ${at.y + s * Math.sin((angle * Math.PI) / 180)}) rotate(${angle})`}
        />
      ))}
    </g>
  );
}

function Fork({ route, live, lit }: { route: Point[]; live: boolean; lit: boolean }) {
  const end = route.at(-1)!;
  return (
    <g className={`fork ${live ? 'fork-live' : ''}`}>
      {lit && <path d={path(route)} className="halo" />}
      <path d={path(route)} className="fork-case" />
      <path d={path(route)} className="fork-core" />
      <Mark x={route[1]!.x} y={(route[1]!.y + route[2]!.y) / 2} n="N" kind="neutral" />
      <circle cx={end.x} cy={end.y} r={4} className="fork-end" />
    </g>
  );
}

function Mark({ x, y, n, kind }: { x: number; y: number; n: number | string; kind: 'letter' | 'step' | 'ground' | 'neutral' }) {
  return (
    <g className={`mark mark-${kind}`} transform={`translate(${x} ${y})`}>
      {kind === 'step' ? <circle r={10} /> : <rect x={-9} y={-9} width={18} height={18} rx={kind === 'ground' ? 9 : 3} />}
      <text textAnchor="middle" y={4.5}>
        {n}
      </text>
    </g>
  );
}

interface Common {
  id: string;
  plate: Plate;
  box: Box;
  lit: boolean;
  danger: boolean;
  worst: Finding['severity'] | undefined;
  chosen: boolean;
  onChoose: () => void;
}

const place = (box: Box): CSSProperties => ({ left: box.x, top: box.y, width: box.w, height: box.h });

function PlateCard({
  id,
  plate,
  box,
  lit,
  danger,
  worst,
  chosen,
  onChoose,
  moved,
  children,
}: Common & { moved: boolean; children: ReactNode }) {
  return (
    <button
      type="button"
      data-plate={id}
      className={`plate shape-${plate.shape} ${lit ? (danger ? 'is-lit-danger' : 'is-lit') : ''} ${chosen ? 'is-chosen' : ''} ${moved ? 'is-moved' : ''}`}
      style={place(box)}
      onClick={onChoose}
      aria-pressed={chosen}
    >
      <span className="plate-head">
        <span className="plate-name">{plate.label}</span>
        {plate.assumed > 0 && (
          <span className="assumed-tag" title={`${plate.assumed} values assumed, not measured`}>
            ~{plate.assumed}
          </span>
        )}
        {worst && <Severity severity={worst} />}
      </span>
      {children}
    </button>
  );
}

export function Severity({ severity }: { severity: Finding['severity'] }) {
  const sign = { danger: '!', warning: '▲', advice: 'i' }[severity];
  return (
    <span className={`sev sev-${severity}`} role="img" aria-label={severity}>
      {sign}
    </span>
  );
}

function PlateFacts({
  id,
  plate,
  answer,
  state,
  amps,
  moved,
}: {
  id: string;
  plate: Plate;
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  moved: { order: number; words: string; atS: number } | undefined;
}) {
  const paint = answer.paint[state];
  const bonds = paint?.bonds.find((b) => b.component === id);
  const charging = paint?.charging.find((c) => c.component === id);
  if (plate.shape === 'gate' && plate.type !== 'inverter_charger') {
    return <GateFacts id={id} plate={plate} answer={answer} state={state} amps={amps} moved={moved} />;
  }
  if (plate.shape === 'gate') {
    const gate = paint?.gates[id];
    const out = carried(gate?.carries, amps);
    const direct = amps?.[gate?.direct ?? ''];
    return (
      <span className="gate">
        <Bridge position={gate?.position ?? 'rest'} />
        <span className="gate-line">
          <span className={`tag ${moved ? 'tag-moved' : ''}`}>
            {moved ? `${moved.order} · by itself, ${seconds(moved.atS)}` : `switch: ${gate?.mode ?? ''}`}
          </span>
          <Staple closed={gate?.bond ?? false} />
        </span>
        <span className="gate-line">
          <span>{gate?.words}</span>
          {out !== undefined && <b className="figures">{out.toFixed(1)} A</b>}
        </span>
        <span className="gate-line quiet">
          <span>battery side</span>
          <b className="figures dc">
            {direct !== undefined ? `−${direct.toFixed(0)} A` : charging ? `charging, to ${charging.amps} A` : plate.lines[0]}
          </b>
        </span>
      </span>
    );
  }
  const running = paint?.gates[id]?.running ?? false;
  const supply = paint?.supplies[id];
  return (
    <span className="facts">
      {plate.type === 'shore_supply' && (
        <b className={supply?.plugged && paint?.links[mateOf(id, answer)?.id ?? '']?.hot?.[0] ? 'live-word' : ''}>
          {supply?.words ?? 'not plugged in'}
        </b>
      )}
      {plate.type === 'inlet' && <b>{paint?.pins[id]?.words ?? ''}</b>}
      {plate.type === 'generator' && <b className={running ? 'live-word' : ''}>{running ? 'running' : 'stopped'}</b>}
      {plate.lines.map((line) => (
        <span key={line}>{line}</span>
      ))}
      {plate.type === 'converter' && (
        <b className={charging ? 'dc' : ''}>{charging ? `running on ${SOURCE_WORDS[charging.on]}, to ${charging.amps} A` : 'off'}</b>
      )}
      {bonds && plate.type === 'shore_supply' && supply?.plugged && (
        <span className={`bonds ${bonds.count === 1 ? '' : 'bonds-bad'}`}>bonds: {bonds.count}</span>
      )}
    </span>
  );
}

/** The current of the first of some elements that anything is known of. */
function carried(elements: string[] | undefined, amps: Record<string, number> | undefined): number | undefined {
  const known = elements?.find((e) => amps?.[e] !== undefined);
  return known === undefined ? undefined : amps?.[known];
}

/** The cord that can be plugged into a supply. */
function mateOf(supply: string, answer: Answer): Link | undefined {
  return answer.wall.links.find((l) => l.from.c === supply && l.gateIn);
}

/** What a switching device is in, and whether it moved by itself. */
function GateFacts({
  id,
  plate,
  answer,
  state,
  amps,
  moved,
}: {
  id: string;
  plate: Plate;
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  moved: { order: number; words: string; atS: number } | undefined;
}) {
  const paint = answer.paint[state];
  const gate = paint?.gates[id];
  const out = carried(gate?.carries, amps);
  const direct = amps?.[gate?.direct ?? ''];
  return (
    <span className="gate">
      {plate.type !== 'inverter' && <Paths type={plate.type} closed={gate?.ways ?? []} />}
      <span className="gate-line">
        <span className={moved ? 'tag tag-moved' : ''}>
          {moved ? `${moved.order} · by itself, ${seconds(moved.atS)}` : (gate?.words ?? '')}
        </span>
        {out !== undefined && out > 0.05 && <b className="figures">{out.toFixed(1)} A</b>}
      </span>
      <span className="gate-line quiet">{[moved ? gate?.words : '', ...(gate?.settings ?? [])].filter(Boolean).join(' · ')}</span>
      {plate.type === 'inverter' && (
        <span className="gate-line quiet">
          <span>battery side</span>
          <b className="figures dc">{direct !== undefined ? `−${direct.toFixed(0)} A` : plate.lines[0]}</b>
        </span>
      )}
    </span>
  );
}

function seconds(s: number): string {
  return s < 1 ? `${Math.round(s * 1000)} ms` : `${s < 10 ? s : Math.round(s)} s`;
}

/** Ways through a switching plate: inputs at one side, output at the other; what is open ends in a capped gap. */
function Paths({ type, closed }: { type: string; closed: string[] }) {
  const two = type === 'transfer_switch';
  const way = (name: string, d: string, cap: string) =>
    closed.includes(name) ? <path key={name} d={d} className="b-on" /> : <path key={name} d={cap} className="b-off" />;
  return (
    <svg viewBox="0 0 200 30" className="bridge" aria-hidden="true" preserveAspectRatio="none">
      {way('a', 'M0 8H200', 'M0 8H86M86 2V14M112 8H200')}
      {two && way('b', 'M0 24H110V8', 'M0 24H86M86 18V30')}
      {type === 'bypass' && way('unit', 'M60 8V24H200', 'M112 24H200M112 18V30')}
    </svg>
  );
}

/** The gate of a transfer: a solid bridge for what is closed, a capped gap for what is not. */
function Bridge({ position }: { position: string }) {
  return (
    <svg viewBox="0 0 200 28" className={`bridge bridge-${position}`} aria-hidden="true" preserveAspectRatio="none">
      <path d="M0 12H70" className={position === 'pass' ? 'b-on' : 'b-off'} />
      {position === 'pass' ? <path d="M70 12H130" className="b-on" /> : <path d="M74 5V19" className="b-cap" />}
      <path d="M130 12H200" className={position === 'rest' ? 'b-off' : 'b-on'} />
      {position === 'invert' ? <path d="M130 12V28" className="b-on" /> : <path d="M122 25H138" className="b-cap" />}
    </svg>
  );
}

/** A bond: a staple from neutral to ground, one leg missing when open. */
export function Staple({ closed }: { closed: boolean }) {
  return (
    <span className="staple" title={closed ? 'neutral-ground bond closed' : 'neutral-ground bond open'}>
      <svg width="30" height="16" aria-hidden="true">
        <path d={closed ? 'M4 15V4H26V15' : 'M4 15V4H26'} />
      </svg>
      <span>{closed ? 'bond 1' : 'bond open'}</span>
    </span>
  );
}

interface TrayProps extends Common {
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  geometry: Geometry;
  concerned: Set<string>;
  worstOf: Map<string, Finding['severity']>;
  onMove?: ((circuit: string) => void) | undefined;
  movable: boolean;
  chosenRow: string | null;
  onChooseRow: (id: string | null) => void;
  volts?: Record<string, number> | null | undefined;
  onToggle?: ((device: string) => void) | undefined;
}

function Tray({
  id,
  plate,
  box,
  lit,
  danger,
  worst,
  answer,
  state,
  amps,
  geometry,
  concerned,
  worstOf,
  onMove,
  movable,
  chosenRow,
  onChooseRow,
  volts,
  onToggle,
}: TrayProps) {
  const { setNodeRef, isOver } = useDroppable({ id: `tray:${id}`, disabled: !movable });
  const tray = answer.wall.trays[id];
  const bus = answer.paint[state]?.buses[id];
  const rails = geometry.rails[id];
  if (!tray) return null;
  const total = carried(tray.carries, amps) ?? amps?.[answer.wall.links.find((l) => l.to.c === id)?.elements[0] ?? ''];
  return (
    <section
      ref={setNodeRef}
      className={`tray ${lit ? (danger ? 'is-lit-danger' : 'is-lit') : ''} ${isOver ? 'is-over' : ''}`}
      style={place(box)}
      aria-label={plate.label}
      data-tray={id}
    >
      <h3 className="plate-head">
        <span className="plate-name">{plate.label}</span>
        <span className="tray-source">
          {tray.role === 'outlets'
            ? ''
            : bus?.source
              ? bus.soft
                ? `live through a load`
                : `${SOURCE_WORDS[bus.source]}${total !== undefined ? ` · ${total.toFixed(1)} A` : ''}`
              : bus?.exchanged
                ? `${SOURCE_WORDS[bus.exchanged]}, hot and neutral exchanged`
                : 'dead'}
        </span>
        {worst && <Severity severity={worst} />}
      </h3>
      <div className="tray-rows">
        {tray.rows.map((row) => {
          const half = geometry.rows[id]?.[`${row.slot}a`];
          // A slot that is split in another view is free in both halves here.
          const at = geometry.rows[id]?.[rowKey(row)] ?? (row.kind === 'free' && half ? { ...half, h: half.h * 2 } : undefined);
          if (!at) return null;
          return (
            <TrayRow
              key={row.circuit ?? `${row.kind}${row.slot}${row.half}`}
              row={row}
              top={at.y - box.y}
              height={at.h}
              answer={answer}
              state={state}
              amps={amps}
              lit={row.circuit !== undefined && concerned.has(row.circuit)}
              worst={row.circuit ? worstOf.get(row.circuit) : undefined}
              onMove={onMove}
              movable={movable && row.kind === 'circuit' && (row.indent ?? 0) === 0}
              chosen={row.circuit !== undefined && chosenRow === row.circuit}
              onChoose={() => (onToggle && row.device ? onToggle(row.device) : onChooseRow(row.circuit ?? null))}
              volts={row.circuit ? volts?.[row.circuit] : undefined}
              byHand={onToggle !== undefined && row.device !== null}
            />
          );
        })}
      </div>
      {rails && (
        <svg className="rails" width={box.w} height={box.h} aria-hidden="true">
          <path
            d={`M${rails.x1 - box.x} ${rails.n - box.y}H${rails.x2 - box.x}`}
            className={`rail-n ${bus?.neutralLive ? 'rail-live' : ''}`}
          />
          <path d={`M${rails.x1 - box.x} ${rails.g - box.y}H${rails.x2 - box.x}`} className="rail-g" />
          {tray.rows
            .filter((r) => r.kind === 'circuit' && !r.strayNeutral)
            .map((r, i) => (
              <path key={r.circuit} d={`M${rails.x1 - box.x + 10 + i * 14} ${rails.n - box.y - 4}v8`} className="tick" />
            ))}
          {tray.bondScrew && (
            <path d={`M${rails.x2 - box.x - 26} ${rails.g - box.y}V${rails.n - box.y - 6}h16V${rails.g - box.y}`} className="screw" />
          )}
          <text x={rails.x2 - box.x + 8} y={rails.n - box.y + 4} className={`note strong ${bus?.neutralLive ? 'live-n' : ''}`}>
            N{bus?.neutralLive ? '!' : ''}
          </text>
          <text x={rails.x2 - box.x + 8} y={rails.g - box.y + 5} className="note strong">
            G
          </text>
        </svg>
      )}
    </section>
  );
}

function TrayRow({
  row,
  top,
  height,
  answer,
  state,
  amps,
  lit,
  worst,
  onMove,
  movable,
  chosen,
  onChoose,
  volts,
  byHand,
}: {
  row: Row;
  top: number;
  height: number;
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  lit: boolean;
  worst: Finding['severity'] | undefined;
  onMove?: ((circuit: string) => void) | undefined;
  movable: boolean;
  chosen: boolean;
  onChoose: () => void;
  volts?: number | undefined;
  byHand: boolean;
}) {
  const { setNodeRef, attributes, listeners, isDragging } = useDraggable({
    id: `row:${row.circuit ?? `${row.slot}${row.half}`}`,
    data: { circuit: row.circuit },
    disabled: !movable,
  });
  if (row.kind === 'free') {
    return (
      <div className="row row-free" style={{ top, height }}>
        <span className="row-slot">
          {row.slot}
          {row.half}
        </span>
        <span className="row-name">free</span>
      </div>
    );
  }
  const live = row.circuit ? answer.paint[state]?.circuits[row.circuit] : undefined;
  const current = carried(row.carries, amps);
  const share = current !== undefined && row.ratingA ? Math.min(1, current / row.ratingA) : 0;
  const position = answer.paint[state]?.positions[row.device ?? '']?.position;
  const on = !row.device || (row.closedIn ?? []).includes(position ?? '');
  const words =
    row.kind !== 'circuit'
      ? row.kind === 'backfeed'
        ? 'back-fed breaker'
        : 'main breaker'
      : live
        ? live.kind === 'works'
          ? `works from ${SOURCE_WORDS[live.source ?? '']}`
          : live.kind === 'ground'
            ? `${live.words}, from ${SOURCE_WORDS[live.source ?? '']}`
            : live.words
        : '';
  const key = (e: KeyboardEvent) => {
    if ((e.key === 'm' || e.key === 'M') && row.circuit && movable) {
      e.preventDefault();
      e.stopPropagation();
      onMove?.(row.circuit);
    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      const all = [...document.querySelectorAll<HTMLElement>('.wall .row-button, .wall .plate')];
      all[all.indexOf(e.currentTarget as HTMLElement) + (e.key === 'ArrowDown' ? 1 : -1)]?.focus();
    } else if (e.key !== ' ') listeners?.onKeyDown?.(e);
  };
  return (
    <button
      type="button"
      ref={setNodeRef}
      data-circuit={row.circuit}
      className={`row row-button kind-${live?.kind ?? 'main'} ${lit ? 'is-lit-danger' : ''} ${chosen ? 'is-chosen' : ''} ${isDragging ? 'is-dragging' : ''} ${row.strayNeutral ? 'is-forked' : ''} ${byHand ? 'is-handle' : ''}`}
      style={{ top, height, paddingLeft: 8 + (row.indent ?? 0) * 12 }}
      {...(movable ? attributes : {})}
      {...(movable ? listeners : {})}
      onKeyDown={key}
      onClick={onChoose}
      role="button"
      tabIndex={0}
      aria-label={`${byHand ? 'switch ' : ''}${row.slot}${row.half} ${row.label}, ${row.ratingA ?? ''} A, ${words}${row.strayNeutral ? ', neutral lands elsewhere' : ''}`}
      aria-roledescription={movable ? 'circuit, movable: press M' : undefined}
    >
      <span className="row-slot">
        {(row.indent ?? 0) > 0 ? '↳' : row.slot}
        {row.half}
      </span>
      <span className="row-name">{row.label}</span>
      {row.gfci && row.gfci !== 'none' && <span className="gfci">GFCI</span>}
      {(row.assumed ?? 0) > 0 && <span className="assumed-dot" title={`${row.assumed} values assumed`} />}
      {worst && <Severity severity={worst} />}
      <span className="row-rating figures">{volts !== undefined ? `${volts.toFixed(1)} V` : row.ratingA ? `${row.ratingA} A` : ''}</span>
      <span className="bar" aria-hidden="true">
        <span className={`bar-fill ${share >= 0.999 ? 'bar-over' : share > 0.8 ? 'bar-near' : ''}`} style={{ width: `${share * 100}%` }} />
      </span>
      <span className={`notch ${on ? 'notch-on' : ''} ${live ? `notch-${live.kind}` : ''}`} aria-hidden="true">
        {live?.kind === 'works' ? live.source : live?.kind === 'ground' ? `${live.source}!` : live?.kind === 'live' ? '!' : ''}
      </span>
    </button>
  );
}
