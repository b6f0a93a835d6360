import type { Answer } from '../api/client';
import { Severity } from '../ui/Severity';
import { countOf } from './findings';
import { t } from '../words/t';
import './plan.css';
import './RailTabs.css';

export type Rail = 'findings' | 'hand' | 'meter';

const RAILS: [Rail, string][] = [
  ['findings', t('plan.findings')],
  ['hand', t('plan.byHand2')],
  ['meter', t('plan.meter')],
];

/** What stands beside the wall, and folds away to its tabs; on a tablet it comes up from the foot of the screen. */
export function RailTabs({
  answer,
  shown,
  choose,
  fold,
}: {
  answer: Answer;
  shown: Rail | null;
  choose: (rail: Rail) => void;
  /** puts it away; null where the tabs themselves do */
  fold: (() => void) | null;
}) {
  const dangers = countOf(answer, 'danger');
  return (
    <div className="rail-tabs">
      <div className="rail-tablist" role="tablist" aria-label={t('plan.besideTheWall')}>
        {RAILS.map(([id, label]) => (
          <button key={id} type="button" role="tab" aria-selected={shown === id} onClick={() => choose(id)}>
            {label}
            {id === 'findings' && shown !== 'findings' && dangers > 0 && (
              <span className="tab-dangers">
                <Severity severity="danger" /> {dangers}
              </span>
            )}
          </button>
        ))}
      </div>
      {fold && shown && (
        <button
          type="button"
          className="rail-fold"
          aria-label={t('plan.foldThePanelAway')}
          title={t('plan.foldAway')}
          onClick={fold}
        >
          »
        </button>
      )}
    </div>
  );
}
