import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Finding, Plate as PlateShape } from '../../api/client';
import { useLanding } from '../landing';
import { place, type Box } from '../measures';
import { Severity } from '../../ui/Severity';
import { t } from '../../words/t';
import './Plate.css';

export interface Common {
  id: string;
  plate: PlateShape;
  box: Box;
  lit: boolean;
  danger: boolean;
  worst: Finding['severity'] | undefined;
  chosen: boolean;
  onChoose: () => void;
  onOpen?: (() => void) | undefined;
}

/** The card of a part: its name, what is assumed of it, its worst finding, and its face. */
export function Plate({
  id,
  plate,
  box,
  lit,
  danger,
  worst,
  chosen,
  onChoose,
  onOpen,
  moved,
  children,
}: Common & { moved: boolean; children: ReactNode }) {
  const { set, takes, over } = useLanding(id);
  return (
    <button
      ref={set}
      type="button"
      data-plate={id}
      className={clsx('plate', `shape-${plate.shape}`, {
        'is-lit-danger': lit && danger,
        'is-lit': lit && !danger,
        'is-chosen': chosen,
        'is-moved': moved,
        'is-over': over,
        takes,
      })}
      style={place(box)}
      onClick={onChoose}
      onDoubleClick={onOpen}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' || !onOpen) return;
        e.preventDefault();
        onOpen();
      }}
      aria-pressed={chosen}
    >
      <span className="plate-head">
        <span className="plate-name">{plate.label}</span>
        {plate.assumed > 0 && (
          <span className="assumed-tag" title={t('wall.valuesAssumedNotMeasured', { count: plate.assumed })}>
            ~{plate.assumed}
          </span>
        )}
        {worst && <Severity severity={worst} />}
      </span>
      {children}
    </button>
  );
}
