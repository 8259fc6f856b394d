import { endpoints, type EndpointName, type Problem } from '@glen/contract';
import { behalfHeaders } from './behalf.js';
import { pressKey, sent } from './press.js';
import * as say from './words.js';

/** A call of an endpoint of the contract, with all that it carries. */
export interface Call {
  name: EndpointName;
  ask: {
    params?: Record<string, string | number>;
    query?: Record<string, string | number | undefined>;
    body?: unknown;
  };
}

function addressOf({ name, ask }: Call): string {
  const path = endpoints[name].path.replace(/:(\w+)/g, (_, key: string) =>
    encodeURIComponent(String(ask.params?.[key])),
  );
  const query = new URLSearchParams(
    Object.entries(ask.query ?? {}).flatMap(([key, value]) =>
      value === undefined ? [] : [[key, String(value)]],
    ),
  ).toString();
  return query ? `${path}?${query}` : path;
}

/** Nothing answers at all. */
const UNREACHABLE: Problem = {
  type: 'about:blank',
  title: say.glenCannotBeReachedJust,
  status: 0,
};

function responseTo(call: Call, signal: AbortSignal): Promise<Response> {
  const { method } = endpoints[call.name];
  const behalf = behalfHeaders();
  if (method === 'GET') return fetch(addressOf(call), { signal, headers: behalf });
  const headers = { ...behalf, 'Content-Type': 'application/json', 'Idempotency-Key': pressKey() };
  const body = JSON.stringify(call.ask.body ?? {});
  return sent(() => fetch(addressOf(call), { method, signal, headers, body }), signal);
}

/** What it answers; every failure as problem details. */
export async function answerTo(
  call: Call,
  signal: AbortSignal,
): Promise<{ data: unknown } | { error: Problem }> {
  try {
    const response = await responseTo(call, signal);
    const answer: unknown = await response.json();
    return response.ok ? { data: answer } : { error: answer as Problem };
  } catch {
    return { error: UNREACHABLE };
  }
}
