import { createContext, useContext } from 'react';
import type { DesignHold } from '../job/useDesign';
import { t } from '../words/t';

interface Surveying {
  hold: DesignHold;
  /** how what is typed into a table is known: looked at, or told by somebody */
  told: boolean;
  /** who surveys */
  by: string;
}

export const SurveyContext = createContext<Surveying | null>(null);

/** The survey one is in. */
export function useSurvey(): Surveying {
  const survey = useContext(SurveyContext);
  if (!survey) throw new Error(t('survey.outsideASurvey'));
  return survey;
}
