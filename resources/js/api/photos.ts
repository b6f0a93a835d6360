import { api, unwrap } from './client';

/** Sends a photograph of a part; the same bytes of the same part are kept once, however often they come. */
export async function sendPhoto(job: number, component: string, picture: Blob, name: string, inNameOf?: number) {
  const body = new FormData();
  body.append('photo', picture, name);
  body.append('component', component);
  if (inNameOf !== undefined) body.append('for', String(inNameOf));
  return unwrap(
    await api.POST('/jobs/{job}/photos', {
      params: { path: { job } },
      body: body as never,
      bodySerializer: (b) => b as never,
    }),
  );
}
