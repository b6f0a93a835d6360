import { Tooltip } from 'antd';
import type { Together } from './useTogether';
import { t } from '../words/t';
import './People.css';

const PLACES: Record<string, string> = { survey: t('job.inSurvey'), plan: t('job.inPlan'), size: t('job.inSize') };

/** Who else has the job open, and what they did that waits to be shown. */
export function People({ together }: { together: Together }) {
  const by = new Map<number, (typeof together.people)[number]>();
  for (const p of together.people) if (!p.self) by.set(p.id, p);
  return (
    <span className="people" role="status" aria-live="polite">
      {together.waiting.length > 0 && (
        <button type="button" className="people-waiting" onClick={together.show}>
          {together.waiting.length === 1
            ? `${together.waiting[0]!.by}: ${together.waiting[0]!.words}`
            : t('job.changesByOthers', { count: together.waiting.length })}
          <b>{t('job.show')}</b>
        </button>
      )}
      {[...by.values()].map((p) => (
        <Tooltip key={p.id} title={`${p.name}, ${PLACES[p.place] ?? p.place}`}>
          <span className="person" aria-label={t('job.isHere', { name: p.name, place: PLACES[p.place] ?? p.place })}>
            {p.name
              .split(' ')
              .map((w) => w[0])
              .join('')}
          </span>
        </Tooltip>
      ))}
    </span>
  );
}
