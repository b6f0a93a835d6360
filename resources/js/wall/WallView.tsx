import { useEffect, useRef, type ReactNode } from 'react';
import { TransformComponent, TransformWrapper, type ReactZoomPanPinchRef } from 'react-zoom-pan-pinch';
import { useSize } from '../ui/useSize';
import { Extent } from './Extent';
import type { Box } from './measures';
import { t } from '../words/t';
import './WallView.css';

/** The wall's smallest type at its own size, and the smallest that is read, px. */
const TYPE = 14;
const LEAST = 11;

/** The scale at which all of it is seen, and the one at which it opens: never smaller than can be read. */
export function scales(frame: { w: number; h: number }, drawing: { w: number; h: number }) {
  const whole = Math.min(1, frame.w / drawing.w, frame.h / drawing.h);
  return { whole, opening: Math.max(whole, Math.min(1, LEAST / TYPE)) };
}

/** What must not begin a drag of the whole. */
const HANDLES = ['row-button'];

/** The wall in a frame: fitted, zoomed and moved by wheel, pinch, drag and keys. */
export function WallView({ extent, children }: { extent: Box; children: ReactNode }) {
  const frame = useRef<HTMLDivElement>(null);
  const view = useRef<ReactZoomPanPinchRef>(null);
  const size = useSize(frame);
  const { whole, opening } = scales(size, extent);
  const fit = useRef(true);
  // A frame that changes keeps the whole in view until somebody has moved it.
  useEffect(() => {
    if (size.w > 0 && fit.current) view.current?.setTransform(0, 0, opening, 0);
  }, [size.w, size.h, opening, extent.w, extent.h]);
  const show = (scale: number) => {
    fit.current = scale === opening;
    view.current?.setTransform(0, 0, scale, 120);
  };
  return (
    <div
      ref={frame}
      className="wall-view"
      // What gets the focus is brought into sight by the browser; here that is a move of the whole.
      onScrollCapture={(e) => {
        const at = e.target as HTMLElement;
        const ref = view.current;
        if (!ref || (at.scrollLeft === 0 && at.scrollTop === 0)) return;
        const { positionX, positionY, scale } = ref.state;
        fit.current = false;
        ref.setTransform(positionX - at.scrollLeft, positionY - at.scrollTop, scale, 0);
        at.scrollTo(0, 0);
      }}
      onKeyDown={(e) => {
        if (e.key === '+' || e.key === '=') view.current?.zoomIn(0.25);
        else if (e.key === '-') view.current?.zoomOut(0.25);
        else if (e.key === 'Home') show(whole);
        else return;
        fit.current = false;
        e.preventDefault();
      }}
    >
      <TransformWrapper
        ref={view}
        initialScale={opening}
        minScale={Math.min(whole, 0.4)}
        maxScale={2}
        limitToBounds
        centerZoomedOut={false}
        wheel={{ step: 0.08 }}
        doubleClick={{ disabled: true }}
        panning={{ excluded: HANDLES, velocityDisabled: true }}
        onPanningStart={() => (fit.current = false)}
        onWheelStart={() => (fit.current = false)}
        onPinchStart={() => (fit.current = false)}
      >
        <TransformComponent wrapperClass="wall-window" contentClass="wall-sheet">
          <Extent of={extent}>{children}</Extent>
        </TransformComponent>
      </TransformWrapper>
      <div className="wall-zoom" role="group" aria-label={t('wall.sizeOfTheWall')}>
        <button type="button" aria-label={t('wall.smaller')} onClick={() => view.current?.zoomOut(0.25)}>
          −
        </button>
        <button type="button" onClick={() => show(whole)}>
          {t('wall.whole')}
        </button>
        <button type="button" aria-label={t('wall.larger')} onClick={() => view.current?.zoomIn(0.25)}>
          +
        </button>
      </div>
    </div>
  );
}
