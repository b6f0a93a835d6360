import { useQuery } from '@tanstack/react-query';
import { Modal } from 'antd';
import { useMemo, useRef, useState } from 'react';
import type { Build, Step, Wall as WallOf } from '../api/client';
import { useSize } from '../ui/useSize';
import { extentOf } from '../wall/Extent';
import { useGeometry } from '../wall/useGeometry';
import { pieceOf, StillWall, WallPiece } from '../wall/WallPiece';
import { WallView } from '../wall/WallView';
import { fetchWalls } from './sync';
import { t } from '../words/t';
import './Where.css';

const HEIGHT = 250;

/** What is done to the rig as it stands before the stage: it is drawn as it is then. */
const BEFORE: Step['kind'][] = ['baseline', 'tag', 'isolate', 'prove_dead', 'take_out'];

const NONE: WallOf[] = [];

/** Which drawing shows the place of a step: before its stage, or after it. */
export function drawnIn(step: Pick<Step, 'stage' | 'kind'>, build: Pick<Build, 'stages'>): string {
  if (!BEFORE.includes(step.kind)) return step.stage;
  const before = build.stages[build.stages.findIndex((s) => s.id === step.stage) - 1];
  return before?.id ?? 'as_found';
}

/** Where a step is done: its piece of the wall, and the whole of it on a tap; carried without a signal. */
export function Where({ build, step }: { build: Build; step: Step }) {
  const box = useRef<HTMLDivElement>(null);
  const width = useSize(box).w;
  const [whole, setWhole] = useState(false);
  const drawn = useQuery({
    queryKey: ['walls', build.job, build.revision, build.plan],
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    queryFn: ({ signal }) => fetchWalls(build, signal),
  });
  const walls = useMemo(() => (drawn.data ? Object.values(drawn.data) : NONE), [drawn.data]);
  const geometry = useGeometry(walls, false);
  const wall = drawn.data?.[drawnIn(step, build)];
  const ids = useMemo(() => [...step.components, ...step.cables], [step]);
  if (!wall || !geometry || pieceOf(ids, wall, geometry, { w: 1, h: 1 }) === null) return <div ref={box} />;
  return (
    <section className="step-where" aria-label={t('build.where')} ref={box}>
      <WallPiece wall={wall} geometry={geometry} ids={ids} width={width} height={HEIGHT} />
      <button type="button" className="step-where-open" onClick={() => setWhole(true)}>
        <span>{t('build.wholeWall')}</span>
      </button>
      <Modal open={whole} title={step.title} footer={null} width="96vw" onCancel={() => setWhole(false)} centered>
        <div className="step-whole">
          <WallView extent={extentOf(wall, geometry)}>
            <StillWall wall={wall} geometry={geometry} lit={ids} />
          </WallView>
        </div>
      </Modal>
    </section>
  );
}
