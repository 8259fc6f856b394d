import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useState } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type PathValue,
  type Resolver,
  type UseFormReturn,
} from 'react-hook-form';
import type { Problem } from '@glen/contract';
import { problemOf } from './api.js';
import { useHalfWritten, useKeeping, type KeepAs } from './useHalfWritten.js';

/** As much of the standard-schema contract as a resolver needs; Zod's schemas have it. Of the form's fields it may know some. */
export type Schema<Sent> = Parameters<typeof standardSchemaResolver<FieldValues, unknown, Sent>>[0];

interface ServerForm<Values extends FieldValues, Sent, Answer> {
  /** What the fields begin with. */
  start: Values;
  /** What the values must be like; fetched at the first sending, so that no page waits for it. Left out: the server says. */
  schema?: (() => Promise<Schema<Sent>>) | undefined;
  /** Sends what the schema made of the values. */
  send: (sent: Sent) => Promise<{ data?: Answer | undefined; error?: unknown }>;
  onDone: (answer: Answer) => void;
  /** What is typed and not saved is kept as this, over reloads and other pages. */
  keepAs?: KeepAs | undefined;
  /** From a path of the server's problem to the form's field, where they differ. */
  fieldOf?: (path: string) => string;
}

const isField = (values: FieldValues, path: string): boolean =>
  path !== '' && path.split('.')[0]! in values;

/** What a form finds wrong by itself, said as the server says it. */
export const wrongAt = (path: string, message: string): Problem => ({
  type: 'about:blank',
  title: message,
  status: 422,
  errors: [{ path, message }],
});

/** What is wrong at a field, or with anything inside it. */
function messageIn(errors: unknown): string | undefined {
  if (typeof errors !== 'object' || errors === null) return undefined;
  if ('message' in errors && typeof errors.message === 'string') return errors.message;
  // A reference to the field itself stands beside its message.
  const inside = Object.entries(errors).filter(([name]) => name !== 'ref');
  return inside.map(([, error]) => messageIn(error)).find((message) => message !== undefined);
}

const at = (errors: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (found, name) =>
        typeof found === 'object' && found !== null
          ? (found as Record<string, unknown>)[name]
          : undefined,
      errors,
    );

const resolverFor =
  <Sent>(schema: () => Promise<Schema<Sent>>): Resolver<FieldValues, unknown, Sent> =>
  async (values, context, options) =>
    standardSchemaResolver<FieldValues, unknown, Sent>(await schema())(values, context, options);

const changeIn =
  <Values extends FieldValues, Sent>(form: UseFormReturn<Values, unknown, Sent>) =>
  (part: Partial<Values>): void => {
    for (const [name, value] of Object.entries(part) as [FieldPath<Values>, unknown][]) {
      form.clearErrors(name);
      form.setValue(name, value as PathValue<Values, FieldPath<Values>>, { shouldDirty: true });
    }
  };

/**
 * A form whose answer comes from the server: checked by the contract's schema first, then by the server; what either
 * finds is said beside its field, nothing typed is lost, and a stale edit brings how the thing stands now.
 */
export function useServerForm<Values extends FieldValues, Sent, Answer>({
  start,
  schema,
  send,
  onDone,
  keepAs,
  fieldOf = (path) => path,
}: ServerForm<Values, Sent, Answer>) {
  const [problem, setProblem] = useState<Problem>();
  const halves = useHalfWritten(start, keepAs);
  const form = useForm<Values, unknown, Sent>({
    defaultValues: (halves.half?.values ?? start) as DefaultValues<Values>,
    ...(schema && {
      resolver: resolverFor(schema) as unknown as Resolver<Values, unknown, Sent>,
    }),
  });
  const keeping = useKeeping(form, halves);
  /** Says each of the server's findings beside its field; what belongs to none stands with the form. */
  const refuse = (refused: Problem | undefined): void => {
    const found = (refused?.errors ?? []).map((e) => ({ ...e, field: fieldOf(e.path) }));
    const here = found.filter((e) => isField(start, e.field));
    here.forEach((e, i) =>
      form.setError(
        e.field as FieldPath<Values>,
        { type: 'server', message: e.message },
        { shouldFocus: i === 0 },
      ),
    );
    const elsewhere = found.find((e) => !isField(start, e.field));
    if (elsewhere) setProblem({ ...refused!, title: elsewhere.message });
    else if (here.length === 0) setProblem(refused);
  };
  const submit = form.handleSubmit(async (sent) => {
    setProblem(undefined);
    const { data, error } = await send(sent);
    if (error) return refuse(problemOf(error));
    halves.drop();
    onDone(data as Answer);
  });
  const { errors, isSubmitting } = form.formState;
  return {
    ...form,
    submit: (event?: React.BaseSyntheticEvent): void => {
      // What the server said last holds no sending back: it is asked again.
      form.clearErrors();
      void submit(event);
    },
    isSending: isSubmitting,
    /** Fields that are not typed into: what is said beside them no longer holds. */
    change: changeIn(form),
    /** What is wrong at some fields, or inside them. */
    errorAt: (...paths: string[]): string | undefined =>
      paths.map((path) => messageIn(at(errors, path))).find((message) => message !== undefined),
    refuse,
    ...keeping,
    /** What went wrong with the form as a whole. */
    problem,
    setProblem,
    /** How the thing stands now, where somebody else was faster. */
    theirs: problem?.status === 409 ? problem.current : undefined,
  };
}
