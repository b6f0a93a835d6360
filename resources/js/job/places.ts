import { lazy, type ComponentType } from 'react';
import type { PlaceProps } from './place';
import { t } from '../words/t';

/** A place of a job: where it stands in the address, what it is called, what is there. */
export interface Place {
  at: string;
  title: string;
  Place: ComponentType<PlaceProps>;
}

/** The places of a job, in the order of the work. A new one is a folder and a line here. */
export const PLACES: Place[] = [
  { at: 'survey', title: t('job.survey'), Place: lazy(() => import('../survey/SurveyPlace')) },
  { at: 'needs', title: t('job.needs'), Place: lazy(() => import('../needs/NeedsPlace')) },
  { at: 'plan', title: t('job.plan'), Place: lazy(() => import('../plan/PlanPlace')) },
  { at: 'size', title: t('job.size'), Place: lazy(() => import('../size/SizePlace')) },
  { at: 'place', title: t('job.place'), Place: lazy(() => import('../standing/StandingPlace')) },
  { at: 'parts', title: t('job.parts'), Place: lazy(() => import('../bench/PartsPlace')) },
  { at: 'build', title: t('job.build'), Place: lazy(() => import('../build/BuildPlace')) },
];
