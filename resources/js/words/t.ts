import i18next from 'i18next';
import * as en from './en';

type Words = typeof en;

/** One of something and many of it are one word. */
type Told<K extends string> = K extends `${infer Base}_${'one' | 'other'}` ? Base : K;

/** A word of the catalogue: the folder it is used in, and its key there. */
export type Key = { [N in keyof Words]: `${N}.${Told<keyof Words[N] & string>}` }[keyof Words];

const catalogue = i18next.createInstance();

void catalogue.init({
  lng: 'en',
  initAsync: false,
  resources: { en: { translation: en } },
  // What is put in is text of React's, which escapes it.
  interpolation: { escapeValue: false },
  returnNull: false,
});

/**
 * Words of the interface, all of them in `en/`, with what is put into them.
 *
 * @param values by the names in the double braces, a `count` for one or many; nothing is written for what is not
 *     there
 */
export function t(key: Key, values?: Record<string, string | number | null | undefined>): string {
  return catalogue.t(key, Object.fromEntries(Object.entries(values ?? {}).map(([k, v]) => [k, v ?? ''])));
}
