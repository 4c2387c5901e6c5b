import type { RequestListener } from "node:http";

/** How long a request may take to come in whole, ms. */
export interface Patience {
  readonly usual: number;
  readonly picture: number;
}

/** A picture of a megabyte takes minutes where a phone has one bar; nothing else that is sent is large. */
export const patience: Patience = { usual: 30_000, picture: 240_000 };

const pictures = /^\/api\/public\/mine\/pictures\//;

/** Hangs up on whoever sends their request slower than that; what has come in whole is answered, however long that takes. */
export function hangingUp(listener: RequestListener, { usual, picture }: Patience = patience): RequestListener {
  return (request, response) => {
    const wait = setTimeout(
      () => {
        if (!request.complete) request.socket.destroy();
      },
      pictures.test(request.url ?? "") ? picture : usual,
    ).unref();
    response.once("close", () => clearTimeout(wait));
    return listener(request, response);
  };
}
