import { Button, Input, Modal } from 'antd';
import { useMemo, useState, type PointerEvent } from 'react';
import { useDataAddress } from '../ui/useDataAddress';
import { t } from '../words/t';

/** An arrow on a photograph, as shares of its width and height. */
export interface Arrow {
  x: number;
  y: number;
  toX: number;
  toY: number;
}

interface Props {
  blob: Blob;
  keep: (arrows: Arrow[], words: string) => void;
  close: () => void;
}

/** A photograph before it is kept: arrows are drawn on it with a finger, a word is added. */
export function PhotoMark({ blob, keep, close }: Props) {
  const address = useDataAddress(blob);
  const [arrows, setArrows] = useState<Arrow[]>([]);
  const [now, setNow] = useState<Arrow | null>(null);
  const [words, setWords] = useState('');
  const all = useMemo(() => (now ? [...arrows, now] : arrows), [arrows, now]);
  const at = (e: PointerEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    return {
      x: Math.min(1, Math.max(0, (e.clientX - box.left) / box.width)),
      y: Math.min(1, Math.max(0, (e.clientY - box.top) / box.height)),
    };
  };
  return (
    <Modal open title={t('build.markIt')} onCancel={close} footer={null} width={720}>
      <div className="marking">
        {address && <img src={address} alt={t('build.justTaken')} />}
        <svg
          viewBox="0 0 1 1"
          preserveAspectRatio="none"
          aria-label={t('build.drawArrows')}
          role="img"
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            const p = at(e);
            setNow({ ...p, toX: p.x, toY: p.y });
          }}
          onPointerMove={(e) => {
            if (!now) return;
            const p = at(e);
            setNow({ ...now, toX: p.x, toY: p.y });
          }}
          onPointerUp={() => {
            if (now && Math.hypot(now.toX - now.x, now.toY - now.y) > 0.02) setArrows([...arrows, now]);
            setNow(null);
          }}
        />
        <Arrows arrows={all} />
      </div>
      <div className="marking-foot">
        <Input
          size="large"
          value={words}
          maxLength={300}
          placeholder={t('build.aWord')}
          aria-label={t('build.aWord')}
          onChange={(e) => setWords(e.target.value)}
        />
        <Button size="large" disabled={arrows.length === 0} onClick={() => setArrows(arrows.slice(0, -1))}>
          {t('build.lastArrow')}
        </Button>
        <Button size="large" type="primary" onClick={() => keep(arrows, words.trim())}>
          {t('build.keepPhoto')}
        </Button>
      </div>
    </Modal>
  );
}

/** Arrows over a picture, whatever its size. */
export function Arrows({ arrows }: { arrows: Arrow[] }) {
  return (
    <svg className="shot-arrows" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
      {arrows.map((a, n) => {
        const angle = Math.atan2(a.toY - a.y, a.toX - a.x);
        const head = (turn: number) =>
          `${a.toX * 100 - 4 * Math.cos(angle + turn)} ${a.toY * 100 - 4 * Math.sin(angle + turn)}`;
        return (
          <path
            key={n}
            d={[
              `M${a.x * 100} ${a.y * 100} L${a.toX * 100} ${a.toY * 100}`,
              `M${head(0.5)} L${a.toX * 100} ${a.toY * 100} L${head(-0.5)}`,
            ].join(' ')}
          />
        );
      })}
    </svg>
  );
}
