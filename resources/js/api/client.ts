import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';
import { t } from '../words/t';

type Schemas = components['schemas'];
export type Me = Schemas['Me'];
export type Design = Schemas['Design'];
export type JobDocument = Schemas['Document'];
export type Answer = Schemas['RigAnswer'];
export type View = Schemas['View'];
export type Finding = Schemas['Finding'];
export type Remedy = Schemas['Remedy'];
export type Figure = Schemas['Figure'];
export type Wall = Schemas['Wall'];
export type Plate = Schemas['Plate'];
export type Row = Schemas['Row'];
export type Link = Schemas['Link'];
export type Paint = Schemas['Paint'];
export type Field = Schemas['Field'];
export type Reference = Schemas['Reference'];
export type Trouble = Schemas['Trouble'];
export type Conflict = Schemas['ConflictTrouble'];
export type Size = Schemas['Size'];
export type Alternatives = Schemas['Alternatives'];
export type Rulers = Schemas['Rulers'];
export type RulerRow = Schemas['RulerRow'];
export type Places = Schemas['Places'];
export type PlaceItem = Schemas['PlaceItem'];
export type PlaceZone = Schemas['PlaceZone'];
export type Catalogue = Schemas['Catalogue'];
export type CatalogueOffer = Schemas['CatalogueOffer'];
export type TakeOff = Schemas['TakeOff'];
export type Stay = Schemas['Stay'];
export type StayRun = Schemas['StayRun'];
export type Build = Schemas['Build'];
export type Step = Schemas['Step'];
export type Ask = Schemas['Ask'];
export type StepState = Schemas['StepState'];
export type OpenItem = Schemas['OpenItem'];
export type Schedule = Schemas['Schedule'];
export type Floor = Schemas['Floor'];
export type JobRow = Schemas['JobRow'];
export type RigRow = Schemas['RigRow'];
export type Component = Schemas['Component'];
export type Intent = Schemas['Intent'];
export type Control = Schemas['Control'];
export type SettledState = Schemas['StateAnswer'];
export type Here = Schemas['Here'];
export type Photo = Schemas['Photo'];
export type Baseline = Schemas['Baseline'];
export type Token = Schemas['Token'];
export type Person = Schemas['Person'];
export type PersonLink = Schemas['PersonLink'];
export type MadeLink = Schemas['MadeLink'];
export type Customer = Schemas['Customer'];

/** What is wrong, and where. */
export interface Problem {
  pointer: string;
  message: string;
}

function cookie(name: string): string {
  const found = document.cookie.split('; ').find((c) => c.startsWith(`${name}=`));
  return found ? decodeURIComponent(found.slice(name.length + 1)) : '';
}

/** What the window hears when a request finds that nobody is signed in any more. */
export const SIGNED_OUT = 'hollin:signed-out';

/** Requests on their way, to be sent once more with another CSRF token. */
const underWay = new Map<string, Request>();

function sign(request: Request): Request {
  request.headers.set('X-XSRF-TOKEN', cookie('XSRF-TOKEN'));
  request.headers.set('X-Requested-With', 'XMLHttpRequest');
  return request;
}

const csrf: Middleware = {
  onRequest({ request, id }) {
    if (request.method !== 'GET') underWay.set(id, request.clone());
    return sign(request);
  },
  async onResponse({ response, schemaPath, id }) {
    const again = underWay.get(id);
    underWay.delete(id);
    let last = response;
    if (response.status === 419 && again) {
      // The session ended, and its token with it: asking who one is brings the next.
      await fetch('/api/v1/session', { headers: { Accept: 'application/json' }, credentials: 'same-origin' });
      last = await fetch(sign(again));
    }
    if (last.status === 401 && schemaPath !== '/session') window.dispatchEvent(new Event(SIGNED_OUT));
    return last;
  },
  onError({ id }) {
    underWay.delete(id);
  },
};

export const api = createClient<paths>({
  baseUrl: '/api/v1',
  credentials: 'same-origin',
  headers: { Accept: 'application/json' },
});
api.use(csrf);

/** An answer that is not a success: what it says, where, and with which status. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: Problem[] = [],
    readonly conflicts: Conflict['conflicts'] = [],
  ) {
    super(message);
  }
}

/** The data of a response, or an ApiError. */
export function unwrap<T>(result: { data?: T; error?: unknown; response: Response }): T {
  if (result.response.ok) return result.data as T;
  const body = (result.error ?? {}) as Partial<Conflict>;
  throw new ApiError(
    result.response.status,
    body.message || t('api.theServerAnswered', { status: result.response.status }),
    body.problems ?? [],
    body.conflicts ?? [],
  );
}

/** A version 4 UUID; randomUUID itself needs a secure context, which a tablet in the workshop does not have. */
export function uuid(): string {
  const b = crypto.getRandomValues(new Uint8Array(16));
  b[6] = (b[6]! & 0x0f) | 0x40;
  b[8] = (b[8]! & 0x3f) | 0x80;
  const h = [...b].map((x) => x.toString(16).padStart(2, '0')).join('');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-${h.slice(12, 16)}-${h.slice(16, 20)}-${h.slice(20)}`;
}
