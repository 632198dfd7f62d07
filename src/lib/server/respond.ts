import { json, type RequestEvent } from '@sveltejs/kit';
import { RequestRefused } from './outcome';

/** An answer that says what is refused: `{ code, message, path }`. */
export const refuse = ({ status, code, message, path }: RequestRefused) => json({ code, message, path }, { status });

/** Wraps a route: refusals become answers, anything else stays an error of the server. */
export function route<E extends RequestEvent>(handle: (event: E) => Response | Promise<Response>) {
  return async (event: E): Promise<Response> => {
    try {
      return await handle(event);
    } catch (error) {
      if (error instanceof RequestRefused) return refuse(error);
      throw error;
    }
  };
}
