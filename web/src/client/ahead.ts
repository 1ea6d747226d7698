/** A gadget that was asked for before there was anybody to take it. */
let asked: { id: string; response: Promise<Response> } | null = null;

/** Asks for a gadget while the program that will want it is still on its way. */
export function askAhead(id: string): void {
  const response = fetch(`/api/gadgets/${id}`);
  // Whoever takes it hears of it.
  response.catch(() => undefined);
  asked = { id, response };
}

/** What was asked ahead, once; null: that was not. */
export function takeAhead(id: string): Promise<Response> | null {
  const taken = asked?.id === id ? asked.response : null;
  asked = null;
  return taken;
}
