/** The names in `{name}`: places that are filled. */
export type Filled<Sentence extends string> =
  Sentence extends `${string}{${infer Name}}${infer Rest}` ? Name | Filled<Rest> : never;

/** “Begins in {span}” with its places filled. What is left blank is said as nothing. */
export const fill = <Sentence extends string>(
  sentence: Sentence,
  places: Record<Filled<Sentence>, string | number>,
): string =>
  sentence.replace(/\{(\w+)\}/g, (_, name: string) => String(places[name as Filled<Sentence>]));
