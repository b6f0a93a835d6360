import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { PlaceItem, Places } from '../api/client';
import { useUnits } from '../shell/units';
import { t } from '../words/t';
import {
  boxOf,
  dragged,
  gaugeOf,
  outlineOf,
  WIDTH,
  zoneBox,
  type Box,
  type Face,
  type Outline,
  type Spot,
} from './outline';
import './LongSide.css';

interface Props {
  /** as it is kept: by it the picture is scaled, so that nothing jumps under the hand */
  kept: Places;
  /** with what is being dragged */
  places: Places;
  mayChange: boolean;
  /** what is being dragged, to be tried */
  attempt: (id: string, to: Spot | null) => void;
  put: (id: string, to: Spot) => void;
  open: (id: string) => void;
  openZone: (id: string) => void;
}

const GAUGE = 272;
const GAUGES = 108;

/** The rig from above and from its long side, what stands on it to scale, its supports as scales. */
export function LongSide({ kept, places, mayChange, attempt, put, open, openZone }: Props) {
  const outline = outlineOf(kept.rig, kept.items, kept.zones);
  const hand = { mayChange, attempt, put, open };
  return (
    <svg
      className="long-side"
      viewBox={`0 0 ${WIDTH} ${outline.height + GAUGES}`}
      role="group"
      aria-label={t('place.picture')}
    >
      <defs>
        <pattern id="skirt" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" className="skirt-line" />
        </pattern>
      </defs>
      <Above outline={outline} rig={places.rig} />
      <Side outline={outline} rig={places.rig} />
      {(['above', 'side'] as Face[]).map((face) => (
        <g key={face}>
          {places.zones.map((zone) => {
            const b = zoneBox(outline, face, zone);
            return (
              <g key={zone.id} className={`zone is-${zone.verdict}`} onClick={() => openZone(zone.id)}>
                <rect x={b.x} y={b.y} width={b.w} height={b.h} />
                {zone.doorM !== null && face === 'above' && (
                  <path className="door" d={doorOf(b, zone.doorM * outline.perM)} />
                )}
                {face === 'above' && (
                  <text x={b.x + 2} y={b.y - 4}>
                    {shortened(zone.label, Math.max(b.w, 84))}
                  </text>
                )}
              </g>
            );
          })}
          {[...places.items]
            .sort((a, b) => b.kg - a.kg)
            .map((item) => (
              <Block key={item.id} item={item} face={face} outline={outline} {...hand} />
            ))}
        </g>
      ))}
      <Scales places={places} outline={outline} />
    </svg>
  );
}

const pointsOf = (points: [number, number][]) => points.map((p) => p.join(',')).join(' ');

/** A door that swings from the corner of its zone. */
const doorOf = (b: Box, r: number) => `M ${b.x} ${b.y + b.h} a ${r} ${r} 0 0 1 ${-r} ${-r}`;

function Above({ outline, rig }: { outline: Outline; rig: Places['rig'] }) {
  const half = rig.widthM / 2;
  const x = outline.x(rig.noseM);
  const y = outline.across(-half);
  const wheel = 0.62 * outline.perM;
  const axles = axlesAt(rig);
  return (
    <g className="body">
      <rect x={x} y={y} width={rig.bodyM * outline.perM} height={rig.widthM * outline.perM} rx="6" />
      {!rig.motor && (
        <polyline
          points={pointsOf([
            [x, outline.across(-half * 0.6)],
            [outline.x(0), outline.across(0)],
            [x, outline.across(half * 0.6)],
          ])}
        />
      )}
      {axles.flatMap((at) =>
        [-1, 1].map((side) => (
          <rect
            key={`${at}${side}`}
            className="wheel"
            x={outline.x(at) - wheel / 2}
            y={outline.across(side * half) - (side < 0 ? 0 : 7)}
            width={wheel}
            height={7}
            rx="3"
          />
        )),
      )}
      <text x={WIDTH - 4} y={outline.across(half) - 4} textAnchor="end">
        {t('place.fromAbove')}
      </text>
    </g>
  );
}

/** Middles of the axles: those of a trailer stand together, a motorhome has one at its zero. */
function axlesAt(rig: Places['rig']): number[] {
  if (rig.motor) return [0, rig.baseM];
  return Array.from({ length: rig.axles }, (_, n) => rig.baseM + (n - (rig.axles - 1) / 2) * 0.85);
}

function Side({ outline, rig }: { outline: Outline; rig: Places['rig'] }) {
  const x = outline.x(rig.noseM);
  const radius = 0.33 * outline.perM;
  return (
    <g className="body">
      <rect
        x={x}
        y={outline.up(rig.heightM)}
        width={rig.bodyM * outline.perM}
        height={rig.heightM * outline.perM}
        rx="6"
      />
      {!rig.motor && (
        <>
          <line x1={outline.x(0)} y1={outline.up(-0.08)} x2={x} y2={outline.up(-0.08)} />
          <line x1={outline.x(0)} y1={outline.up(-0.08)} x2={outline.x(0)} y2={outline.groundY} />
        </>
      )}
      {axlesAt(rig).map((at) => (
        <circle key={at} className="wheel" cx={outline.x(at)} cy={outline.groundY - radius} r={radius} />
      ))}
      <line className="ground" x1="0" y1={outline.groundY} x2={WIDTH} y2={outline.groundY} />
      <text x={WIDTH - 4} y={outline.up(0) - 4} textAnchor="end">
        {t('place.leftSide')}
      </text>
    </g>
  );
}

/** One part or mass: dragged, or moved by the arrow keys; where it was is a dashed outline. */
function Block({
  item,
  face,
  outline,
  mayChange,
  attempt,
  put,
  open,
}: { item: PlaceItem; face: Face; outline: Outline } & Pick<Props, 'mayChange' | 'attempt' | 'put' | 'open'>) {
  const units = useUnits();
  const [held, hold] = useState<Spot | null>(null);
  const from = useRef<{ x: number; y: number; perPx: number; at: Spot; moved: boolean } | null>(null);
  const at = held ?? item.at;
  const was = item.before;
  const gone = item.state === 'gone';
  const ghost = was && (gone || (at && (was.xM !== at.xM || was.leftM !== at.leftM || was.upM !== at.upM)));
  const weight = `${item.basis === 'assumed' ? '~' : ''}${units.weight(item.kg)}`;
  const words = t('place.block', { label: item.label, weight, state: STATES[item.state] });
  const down = (e: PointerEvent<SVGGElement>) => {
    if (!mayChange || !at || e.button !== 0) return;
    const svg = e.currentTarget.ownerSVGElement;
    from.current = {
      x: e.clientX,
      y: e.clientY,
      perPx: WIDTH / (svg?.getBoundingClientRect().width || WIDTH),
      at,
      moved: false,
    };
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  const move = (e: PointerEvent<SVGGElement>) => {
    const start = from.current;
    if (!start) return;
    const dx = (e.clientX - start.x) * start.perPx;
    const dy = (e.clientY - start.y) * start.perPx;
    if (Math.hypot(dx, dy) < 3 && !start.moved) return;
    start.moved = true;
    const to = dragged(outline, face, start.at, dx, dy);
    hold(to);
    attempt(item.id, to);
  };
  const up = () => {
    const start = from.current;
    from.current = null;
    if (start && !start.moved) open(item.id);
    if (held) put(item.id, held);
    hold(null);
  };
  const keys = (e: KeyboardEvent) => {
    const step = outline.perM * 0.05;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[e.key];
    if (e.key === 'Enter') open(item.id);
    else if (by && mayChange && item.at) {
      e.preventDefault();
      put(item.id, dragged(outline, face, item.at, by[0]!, by[1]!));
    }
  };
  const box = at && !gone ? boxOf(outline, face, item.sides, at) : null;
  const before = ghost ? boxOf(outline, face, item.sides, was) : null;
  const skirt = item.clearanceM * outline.perM;
  return (
    <g>
      {before && (
        <g className={gone ? 'ghost is-gone' : 'ghost'} onClick={() => open(item.id)}>
          <rect x={before.x} y={before.y} width={before.w} height={before.h} />
          {box && (
            <line
              x1={before.x + before.w / 2}
              y1={before.y + before.h / 2}
              x2={box.x + box.w / 2}
              y2={box.y + box.h / 2}
            />
          )}
          {gone && face === 'above' && (
            <text x={before.x + before.w / 2} y={before.y - 4} textAnchor="middle">
              {t('place.goes', { weight })}
            </text>
          )}
        </g>
      )}
      {box && (
        <g
          className={`block is-${item.state} ${held ? 'is-held' : ''} ${item.type === 'thing' ? 'is-thing' : ''}`}
          role="button"
          tabIndex={face === 'above' ? 0 : -1}
          aria-label={words}
          onPointerDown={down}
          onPointerMove={move}
          onPointerUp={up}
          onPointerCancel={up}
          onKeyDown={keys}
        >
          <title>{words}</title>
          {item.clearanceM > 0 && (
            <rect
              className="skirt"
              x={box.x - skirt}
              y={box.y - skirt}
              width={box.w + 2 * skirt}
              height={box.h + 2 * skirt}
            />
          )}
          <rect className="plate" x={box.x} y={box.y} width={box.w} height={box.h} rx="2" />
          {face === 'above' && item.type === 'thing' && (
            <text x={box.x + box.w + 4} y={box.y + box.h / 2 + 4}>
              {item.label}, {weight}
            </text>
          )}
          {item.type !== 'thing' && box.w >= 42 && box.h >= 15 && (
            <text x={box.x + 4} y={box.y + box.h - 5} className={item.basis === 'assumed' ? 'is-assumed' : ''}>
              {weight}
            </text>
          )}
        </g>
      )}
    </g>
  );
}

/** As much of a name as has room, at about six px a letter. */
const shortened = (name: string, px: number) => {
  const letters = Math.floor(px / 6);
  return name.length <= letters ? name : `${name.slice(0, letters - 1).trimEnd()}…`;
};

export const STATES: Record<PlaceItem['state'], string> = {
  stays: t('place.stays'),
  new: t('place.new'),
  gone: t('place.gone'),
  moved: t('place.moved'),
  changed: t('place.changed'),
};

/** The supports as scales under where they stand: what they carried, carry, and may. */
function Scales({ places, outline }: { places: Places; outline: Outline }) {
  const units = useUnits();
  const top = outline.height + 30;
  return (
    <g className="scales">
      {places.scales.map((scale, n) => {
        const x = 12 + n * (GAUGE + 30);
        const at = gaugeOf(scale);
        const px = (kg: number) => x + at(kg) * GAUGE;
        const stand = scale.atM === null ? null : outline.x(scale.atM);
        const low = scale.bandKg !== null && (scale.afterKg < scale.bandKg[0]! || scale.afterKg > scale.bandKg[1]!);
        return (
          <g key={scale.id} className={scale.over || low ? 'is-bad' : ''}>
            {stand !== null && (
              <polyline
                className="leader"
                points={pointsOf([
                  [stand, outline.groundY],
                  [stand, outline.groundY + 12],
                  [x + 40, outline.groundY + 12],
                  [x + 40, top - 18],
                ])}
              />
            )}
            <text x={x} y={top - 4} className="scale-name">
              {scale.label}
            </text>
            <text x={x + GAUGE} y={top - 4} textAnchor="end" className="scale-kg">
              {Math.round(scale.beforeKg) === Math.round(scale.afterKg)
                ? units.weight(scale.afterKg)
                : t('place.fromTo', { before: units.weight(scale.beforeKg), after: units.weight(scale.afterKg) })}
            </text>
            {scale.bandKg && (
              <rect
                className="band"
                x={px(scale.bandKg[0]!)}
                y={top}
                width={px(scale.bandKg[1]!) - px(scale.bandKg[0]!)}
                height="24"
              />
            )}
            <rect className="gauge" x={x} y={top} width={GAUGE} height="24" />
            <rect className="carries" x={x} y={top + 5} width={at(scale.afterKg) * GAUGE} height="14" />
            <line className="was" x1={px(scale.beforeKg)} y1={top} x2={px(scale.beforeKg)} y2={top + 24} />
            {scale.limitKg !== null && (
              <line className="limit" x1={px(scale.limitKg)} y1={top - 3} x2={px(scale.limitKg)} y2={top + 27} />
            )}
            <text x={x} y={top + 42} className="scale-note">
              {scale.limitKg === null ? t('place.noLimit') : t('place.may', { weight: units.weight(scale.limitKg) })}
            </text>
            {scale.bandKg && (
              <text x={x} y={top + 58} className="scale-note">
                {t('place.band', { from: units.weight(scale.bandKg[0]!), to: units.weight(scale.bandKg[1]!) })}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
