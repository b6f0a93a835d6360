import type { DesignHold } from './useDesign';

/** What every place of a job is handed. */
export interface PlaceProps {
  hold: DesignHold;
  /** the view looked at: as_found or plan/stage */
  viewId: string;
  setViewId: (id: string) => void;
}
