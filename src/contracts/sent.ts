declare const of: unique symbol;

/**
 * A value on its way from a page to the view that shows it, as text. A page that sent a document as it is would have every point of an outline
 * gone through on the server's main thread, which everybody waits for.
 */
export type Sent<Value> = string & { readonly [of]?: Value };

export const sent = <Value>(value: Value): Sent<Value> => JSON.stringify(value);
export const received = <Value>(text: Sent<Value>): Value => JSON.parse(text) as Value;
