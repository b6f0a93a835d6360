import { Segmented } from 'antd';
import type { PlaceProps } from './place';
import { t } from '../words/t';
import './ViewSwitch.css';

/** As found, or a plan's stage. */
export function ViewSwitch({ hold, viewId, setViewId, short = false }: PlaceProps & { short?: boolean }) {
  if (short) {
    return (
      <select
        className="view-select"
        aria-label={t('job.whichRig')}
        value={viewId}
        onChange={(e) => setViewId(e.target.value)}
      >
        {hold.design.views.map((v) => (
          <option key={v.id} value={v.id}>
            {v.title}
          </option>
        ))}
      </select>
    );
  }
  return (
    <Segmented
      aria-label={t('job.whichRig')}
      value={viewId}
      onChange={(v) => setViewId(v)}
      options={hold.design.views.map((v) => ({ value: v.id, label: v.title }))}
    />
  );
}
