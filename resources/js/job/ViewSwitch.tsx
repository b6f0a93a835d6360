import { Segmented } from 'antd';
import type { PlaceProps } from './place';

/** As found, or a plan's stage. */
export function ViewSwitch({ hold, viewId, setViewId }: PlaceProps) {
  return (
    <Segmented
      aria-label="Which rig"
      value={viewId}
      onChange={setViewId}
      options={hold.design.views.map((v) => ({ value: v.id, label: v.title }))}
    />
  );
}
