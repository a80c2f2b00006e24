import { api, sayProblem } from '$lib/api/client';
import { me } from '$lib/api/me.svelte';

/** Asks the program who is signed in here. */
export async function look(): Promise<void> {
  try {
    const { data, response } = await api.GET('/api/sessions/me');
    if (data) me.is(data);
    else if (response.status === 401) me.is(null);
    else me.known = true;
  } catch {
    // Without the network the page shows what it has; the program itself holds everybody to her rights.
    me.known = true;
  }
}

/** Signs somebody in; says what is wrong where it does not work out. */
export async function signIn(
  name: string,
  secret: { password: string } | { pin: string }
): Promise<string | null> {
  const { data, error } = await api
    .POST('/api/sessions', {
      body: {
        name,
        password: 'password' in secret ? secret.password : null,
        pin: 'pin' in secret ? secret.pin : null
      }
    })
    .catch((e: unknown) => ({ data: undefined, error: e }));
  if (!data) return sayProblem(error);
  me.byPin = 'pin' in secret;
  me.is(data);
  return null;
}

/** Signs out; on a device of the studio it goes on showing. */
export async function signOut(): Promise<void> {
  await api.DELETE('/api/sessions/me').catch(() => null);
  me.byPin = false;
  await look();
}

/** Gives the password again. */
export async function stepUp(password: string): Promise<string | null> {
  const { data, error } = await api
    .POST('/api/sessions/step-up', { body: { password } })
    .catch((e: unknown) => ({ data: undefined, error: e }));
  if (!data) return sayProblem(error);
  me.is(data);
  return null;
}

/** Enrols this device by the code it read; says what is wrong where it does not work out. */
export async function pair(code: string): Promise<string | null> {
  const { data, error } = await api
    .POST('/api/devices/pair', { body: { code } })
    .catch((e: unknown) => ({ data: undefined, error: e }));
  if (!data) return sayProblem(error);
  await look();
  return null;
}
