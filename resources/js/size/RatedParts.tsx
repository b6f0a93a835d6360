import { Button } from 'antd';
import { useState } from 'react';
import type { Rulers } from '../api/client';
import { t } from '../words/t';

const KINDS = {
  bar: t('size.kindBar'),
  device: t('size.kindDevice'),
  part: t('size.kindPart'),
  joint: t('size.kindJoint'),
};

interface Props {
  parts: Rulers['parts'];
  open: ((id: string) => void) | null;
}

/** What is no cable and carries: how full each is, worst first; those with room fold. */
export function RatedParts({ parts, open }: Props) {
  const [all, showAll] = useState(false);
  if (parts.length === 0) return null;
  const tight = parts.filter((p) => p.trouble.length > 0 || (p.used ?? 0) > 0.8);
  const shown = all ? parts : tight;
  return (
    <section className="rulers" aria-label={t('size.barsAndSwitches')}>
      <div className="rulers-head">
        <h1>{t('size.barsAndSwitches')}</h1>
        <span className="quiet">{t('size.howFull')}</span>
      </div>
      {shown.map((p) => (
        <div key={p.id} className={`rated ${p.trouble.length > 0 ? 'is-off' : ''}`}>
          <span className="ruler-name">
            {open ? (
              <button type="button" className="opens" onClick={() => open(p.component)}>
                {p.label}
              </button>
            ) : (
              <b>{p.label}</b>
            )}
            <small className="quiet">{KINDS[p.kind]}</small>
          </span>
          <span className="fill" aria-hidden="true">
            <i style={{ width: `${Math.min(1, p.used ?? 0) * 100}%` }} />
          </span>
          <span className="figures">
            {t('size.ofRated', { amps: p.carriesA ?? 0, rated: p.ratedA ?? p.bySectionA ?? '–' })}
            {p.heatW !== null && p.heatW >= 0.5 && (
              <small className="quiet"> {t('size.heat', { watts: p.heatW.toFixed(1) })}</small>
            )}
            <small className="quiet"> {p.carriesWhy}</small>
            {p.trouble.map((x) => (
              <b key={x} className="rated-off">
                {x}
              </b>
            ))}
          </span>
        </div>
      ))}
      {shown.length === 0 && <p className="all-right">{t('size.allHaveRoom')}</p>}
      {(all || parts.length > tight.length) && (
        <Button type="link" onClick={() => showAll(!all)} aria-expanded={all}>
          {all ? t('size.foldThem') : t('size.moreWithRoom', { count: parts.length - tight.length })}
        </Button>
      )}
    </section>
  );
}
