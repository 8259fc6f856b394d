import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useState } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type Resolver,
} from 'react-hook-form';
import type { Problem } from '@glen/contract';
import { problemOf } from './api.js';

/** As much of the standard-schema contract as a resolver needs; Zod's schemas have it. Of the form's fields it may know some. */
export type Schema<Sent> = Parameters<typeof standardSchemaResolver<FieldValues, unknown, Sent>>[0];

interface ServerForm<Values extends FieldValues, Sent, Answer> {
  /** What the fields begin with. */
  start: Values;
  /** What the values must be like; fetched at the first sending, so that no page waits for it. */
  schema: () => Promise<Schema<Sent>>;
  /** Sends what the schema made of the values. */
  send: (sent: Sent) => Promise<{ data?: Answer; error?: unknown }>;
  onDone: (answer: Answer) => void;
  /** From a path of the server's problem to the form's field, where they differ. */
  fieldOf?: (path: string) => string;
}

const isField = (values: FieldValues, path: string): boolean =>
  path !== '' && path.split('.')[0]! in values;

/**
 * A form whose answer comes from the server: checked by the contract's schema first, then by the server; what either
 * finds is said beside its field, nothing typed is lost, and a stale edit brings how the thing stands now.
 */
export function useServerForm<Values extends FieldValues, Sent, Answer>({
  start,
  schema,
  send,
  onDone,
  fieldOf = (path) => path,
}: ServerForm<Values, Sent, Answer>) {
  const [problem, setProblem] = useState<Problem>();
  const resolver: Resolver<FieldValues, unknown, Sent> = async (values, context, options) =>
    standardSchemaResolver<FieldValues, unknown, Sent>(await schema())(values, context, options);
  const form = useForm<Values, unknown, Sent>({
    defaultValues: start as DefaultValues<Values>,
    resolver: resolver as unknown as Resolver<Values, unknown, Sent>,
  });

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
    if (error) refuse(problemOf(error));
    else onDone(data as Answer);
  });
  return {
    ...form,
    submit: (event?: React.BaseSyntheticEvent) => void submit(event),
    /** What went wrong with the form as a whole. */
    problem,
    /** How the thing stands now, where somebody else was faster. */
    theirs: problem?.status === 409 ? problem.current : undefined,
  };
}
