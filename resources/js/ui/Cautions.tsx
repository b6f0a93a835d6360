import { t } from '../words/t';

import './Cautions.css';
/** The standing cautions, where a plan is first met. */
export function Cautions() {
  return (
    <p className="cautions">
      <strong>{t('ui.beforeYouRelyOnA')}</strong> {t('ui.localCodeTheEquipmentsListing')}
    </p>
  );
}
