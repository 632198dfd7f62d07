import { json, type RequestEvent } from '@sveltejs/kit';
import { RequestRefused } from './outcome';
import { findStorageRefusal } from './storage-refusal';

/** An answer that says what is refused: `{ code, message, path }`. */
export const refuse = ({ status, code, message, path }: RequestRefused) => json({ code, message, path }, { status });

/** Wraps a route: refusals become answers, so does what the storage refuses, anything else stays an error of the server. */
export function route<E extends RequestEvent>(handle: (event: E) => Response | Promise<Response>) {
  return async (event: E): Promise<Response> => {
    try {
      return await handle(event);
    } catch (error) {
      if (error instanceof RequestRefused) return refuse(error);
      const refusal = findStorageRefusal(error);
      if (refusal?.code === 'file-damaged') event.locals.services.keeper.noteDamage();
      if (refusal) return refuse(refusal);
      throw error;
    }
  };
}
