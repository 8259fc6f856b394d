/** Puts guests with accounts into the database that `run` asks; gives the numbers of their accounts, in the order of their names. */
export async function takeInGuests(run, { prefix, count }) {
  await run(`INSERT INTO people (name, rules)
    SELECT CONCAT('${prefix} ', seq), '{}' FROM seq_0_to_${count - 1}`);
  await run(`INSERT INTO accounts (person_id, kind, email)
    SELECT id, 'personal', CONCAT('guest', id, '@home.example') FROM people WHERE name LIKE '${prefix} %'`);
  await run(`INSERT INTO person_roles (person_id, role)
    SELECT id, 'guest' FROM people WHERE name LIKE '${prefix} %'`);
  const rows = await run(`SELECT a.id FROM accounts a JOIN people p ON p.id = a.person_id
    WHERE p.name LIKE '${prefix} %' ORDER BY CAST(SUBSTRING_INDEX(p.name, ' ', -1) AS UNSIGNED)`);
  return rows.map((row) => row.id);
}

/** A visitor with an account of their own at one door: knocks, looks until let in, goes in. */
class Guest {
  cookie = '';
  constructor(origin, code, name) {
    Object.assign(this, { origin, path: `/api/door/${code}`, name });
  }

  async ask(path, body) {
    const response = await fetch(this.origin + path, {
      method: body ? 'POST' : 'GET',
      headers: {
        Origin: this.origin,
        'Content-Type': 'application/json',
        ...(this.cookie ? { Cookie: this.cookie } : {}),
      },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    const set = response.headers.getSetCookie()[0];
    if (set) this.cookie = set.split(';')[0];
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return response.json();
  }

  signIn(accountId) {
    return this.ask('/api/demo/sign-in', { accountId });
  }
  knock() {
    return this.ask(`${this.path}/enter`, {});
  }
  look() {
    return this.ask(this.path);
  }
}

/** The desk as a browser keeps it: it hears on the stream that something changed, and asks again, one question at a time. */
export async function openDesk(origin, cookie, linkId, onShown) {
  const stop = new AbortController();
  const response = await fetch(`${origin}/api/live`, {
    headers: { Cookie: cookie },
    signal: stop.signal,
  });
  const seen = new Set();
  let asking = false;
  let again = false;
  const ask = async () => {
    if (asking) {
      again = true;
      return;
    }
    asking = true;
    try {
      do {
        again = false;
        const answer = await fetch(`${origin}/api/links/${linkId}/desk`, {
          headers: { Cookie: cookie },
          signal: stop.signal,
        });
        if (!answer.ok) throw new Error(`The desk answers ${answer.status}.`);
        const desk = await answer.json();
        for (const { id, name } of [...desk.waiting, ...desk.coming, ...desk.inside])
          if (!seen.has(id)) {
            seen.add(id);
            onShown(name, performance.now());
          }
      } while (again);
    } finally {
      asking = false;
    }
  };
  const reading = (async () => {
    const decoder = new TextDecoder();
    for await (const chunk of response.body)
      if (decoder.decode(chunk).includes('"thing":"desk"'))
        void ask().catch((error) => stop.signal.aborted || console.error(error));
  })().catch(() => {});
  await ask();
  return {
    close: async () => {
      stop.abort();
      await reading;
    },
  };
}

/**
 * Guests with these accounts knock at random moments within `withinMs` while the host lets all in every half second.
 * Gives for each the milliseconds from the knock to the desk, and what became of them: the tickets they got.
 */
export async function crowd({ origin, cookie, link, accountIds, withinMs, prefix }) {
  const guests = [];
  for (const [i, accountId] of accountIds.entries()) {
    const guest = new Guest(origin, link.code, `${prefix} ${i}`);
    await guest.signIn(accountId);
    guests.push(guest);
  }
  const knocked = new Map();
  const delays = new Map();
  const desk = await openDesk(origin, cookie, link.id, (name, at) => {
    if (knocked.has(name)) delays.set(name, at - knocked.get(name));
  });
  const pause = (ms) =>
    new Promise((resolve) => {
      setTimeout(resolve, ms);
    });
  let over = false;
  const letting = (async () => {
    while (!over) {
      await fetch(`${origin}/api/links/${link.id}/let-all-in`, {
        method: 'POST',
        headers: { Origin: origin, Cookie: cookie, 'Content-Type': 'application/json' },
        body: '{}',
      });
      await pause(500);
    }
  })();
  const tickets = await Promise.all(
    guests.map(async (guest) => {
      await pause(Math.random() * withinMs);
      knocked.set(guest.name, performance.now());
      let answer = await guest.knock();
      while (!answer.go) {
        await pause(700);
        if ((await guest.look()).decision.outcome === 'enter') answer = await guest.knock();
      }
      return answer.go;
    }),
  );
  const shownBy = Date.now() + 60000;
  while (delays.size < guests.length && Date.now() < shownBy) await pause(50);
  over = true;
  await letting;
  await desk.close();
  return { delays: [...delays.values()], tickets };
}
