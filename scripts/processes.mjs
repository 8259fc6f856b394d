// Starting the parts of a running Glen: its database, the stand-ins, the server. Used by up, test, bench and shots.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { freePort, samePort, startMariadb } from './mariadb.mjs';
import { root } from './build.mjs';

export const LOOPBACK = '127.0.0.1';
export const STANDINS = '127.0.0.2';
/** The course site shares the address of the video service; workers' ports differ by less. */
const COURSE_SITE_APART = 5;
/** Providers of accounts are on addresses of their own: cookies know no ports. */
const SIGN_ON = { school: '127.0.0.3', home: '127.0.0.4' };
const MAIL = '127.0.0.5';
/** Where Glen takes mail in, as the mail service of a domain of its own. */
const MAIL_IN = '127.0.0.6';
const MAIL_IN_DOMAIN = 'back.merrow.example';

/** Where the providers of accounts are, as Glen and as they themselves are told of it. */
async function signOnSurroundings(port) {
  const secret = 'the demo providers of accounts and Glen share this secret';
  const [school, home] = await Promise.all(
    Object.values(SIGN_ON).map(async (host) => `${host}:${await samePort(port, host)}`),
  );
  const client = { clientId: 'glen', clientSecret: secret };
  const providers = [
    { id: 'school', name: 'Merrow', kind: 'school', issuer: `http://${school}`, ...client },
    { id: 'home', name: 'Homeport', kind: 'personal', issuer: `http://${home}`, ...client },
  ];
  return {
    addresses: { school: `http://${school}`, home: `http://${home}` },
    server: { GLEN_SIGN_ON: JSON.stringify(providers) },
    standins: {
      STANDINS_SIGN_ON_SCHOOL: school,
      STANDINS_SIGN_ON_HOME: home,
      STANDINS_SIGN_ON_SECRET: secret,
    },
  };
}

/** Runs one statement against a database server: { port, password? }, or one of its databases. */
export async function statement(mariadb, sql, database) {
  const { createConnection } = await import('mariadb');
  const connection = await createConnection({
    host: LOOPBACK,
    port: mariadb.port,
    user: 'root',
    password: mariadb.password,
    ...(database === undefined ? {} : { database }),
    // The driver's own second is too short for a busy machine.
    connectTimeout: 10000,
  });
  try {
    return await connection.query(sql);
  } finally {
    await connection.end();
  }
}

/** Makes databases anew as copies of others, for tests that begin where a demo was just loaded. */
export async function copyDatabases(mariadb, pairs) {
  const at = `--no-defaults -h${LOOPBACK} -P${mariadb.port} -uroot`;
  await Promise.all(
    pairs.map(async ([from, to]) => {
      await statement(mariadb, `DROP DATABASE IF EXISTS ${to}`);
      await statement(
        mariadb,
        `CREATE DATABASE ${to} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
      );
      const copy = spawn('sh', ['-c', `mariadb-dump ${at} ${from} | mariadb ${at} ${to}`], {
        stdio: ['ignore', 'ignore', 'inherit'],
      });
      const code = await new Promise((resolve) => copy.once('exit', resolve));
      if (code !== 0) throw new Error(`Copying ${from} failed.`);
    }),
  );
}

/** Starts a node process and resolves once it prints its ready line. */
export function startNode(script, env, ready, { quiet = false } = {}) {
  const child = spawn(process.execPath, ['--enable-source-maps', script], {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  });
  let isWanted = true;
  const ended = new Promise((resolve) => child.once('exit', (code) => resolve(code)));
  let said = '';
  const started = new Promise((resolve, reject) => {
    child.stdout.on('data', (data) => {
      said += data;
      if (said.includes(ready)) resolve();
    });
    child.stderr.on('data', (data) => {
      said += data;
      if (!quiet) process.stderr.write(data);
    });
    void ended.then((code) => reject(new Error(`${script} ended with ${code}:\n${said}`)));
  });
  const stop = async (signal = 'SIGTERM') => {
    isWanted = false;
    if (child.exitCode === null && child.signalCode === null) child.kill(signal);
    await ended;
  };
  /** Told where it ends and nobody has asked it to. */
  const onDeath = (tell) => void ended.then(() => isWanted && tell());
  return { started, stop, child, onDeath };
}

/** Seconds before what has died is started again: at once the first time, then less and less eagerly. */
const PAUSES = [0, 1, 2, 5, 10, 30];

/** Keeps a part of Glen running: started again where it dies, which is said. `begin` starts it anew. */
function keptAlive(name, begin, say) {
  let part = begin();
  let deaths = 0;
  let isOver = false;
  const watch = () =>
    part.onDeath(async () => {
      const pause = PAUSES[Math.min(deaths++, PAUSES.length - 1)];
      say(`The ${name} has ended by itself; it is started again${pause ? ` in ${pause} s` : ''}.`);
      await new Promise((resolve) => setTimeout(resolve, pause * 1000));
      if (isOver) return;
      part = begin();
      watch();
      await part.started.then(
        () => say(`The ${name} is there again.`),
        () => {},
      );
    });
  const { started } = part;
  void started.then(watch, () => {});
  return {
    started,
    stop: async (signal) => {
      isOver = true;
      await part.stop(signal);
    },
  };
}

/** The mail service, which takes all letters and lets none out, and the page of its mailboxes. */
async function mailSurroundings(port) {
  const smtpPort = await samePort(port, MAIL);
  const pagePort = await samePort(port + COURSE_SITE_APART, MAIL);
  const mailIn = `${MAIL_IN}:${await samePort(port, MAIL_IN)}`;
  return {
    address: `http://${MAIL}:${pagePort}`,
    server: {
      GLEN_SMTP_URL: `smtp://${MAIL}:${smtpPort}`,
      GLEN_MAIL_FROM: 'Merrow Sound School of Seamanship <glen@merrow.example>',
      GLEN_MAIL_IN: mailIn,
      GLEN_MAIL_IN_DOMAIN: MAIL_IN_DOMAIN,
    },
    standins: {
      STANDINS_MAIL_HOST: MAIL,
      STANDINS_SMTP_PORT: String(smtpPort),
      STANDINS_MAIL_PAGE_PORT: String(pagePort),
      STANDINS_MAIL_ELSEWHERE: `${MAIL_IN_DOMAIN} ${mailIn}`,
    },
  };
}

/** What callers dial in the demo school; of the numbers that are kept for invented places. */
const VIDEO_PHONE = '+1 902 555 0142';

/** The environment that server and stand-ins share; secrets of the demo are no secrets. */
export async function surroundings({ mariadb, database, port, undoSeconds, gatherSeconds }) {
  // A server's port is its own: at the addresses of the stand-ins nobody else is given it meanwhile.
  const videoPort = await samePort(port, STANDINS);
  const courseSitePort = await samePort(port + COURSE_SITE_APART, STANDINS);
  const signOn = await signOnSurroundings(port);
  const mail = await mailSurroundings(port);
  const publicUrl = `http://${LOOPBACK}:${port}`;
  const videoSecret = 'the demo video room and Glen share this secret';
  const courseSiteToken = 'the demo course site gave this token';
  return {
    publicUrl,
    video: `http://${STANDINS}:${videoPort}`,
    courseSite: `http://${STANDINS}:${courseSitePort}`,
    signOn: signOn.addresses,
    mail: mail.address,
    server: {
      GLEN_DATABASE_URL: mariadb.url(database),
      GLEN_PUBLIC_URL: publicUrl,
      GLEN_SECRET: 'the demo school keeps this secret from nobody',
      GLEN_PORT: String(port),
      GLEN_VIDEO_URL: `http://${STANDINS}:${videoPort}`,
      GLEN_VIDEO_SECRET: videoSecret,
      GLEN_VIDEO_PHONE: VIDEO_PHONE,
      GLEN_COURSE_SITE_URL: `http://${STANDINS}:${courseSitePort}`,
      GLEN_COURSE_SITE_TOKEN: courseSiteToken,
      ...signOn.server,
      ...mail.server,
      ...(undoSeconds === undefined ? {} : { GLEN_UNDO_SECONDS: String(undoSeconds) }),
      ...(gatherSeconds === undefined ? {} : { GLEN_GATHER_SECONDS: String(gatherSeconds) }),
    },
    standins: {
      STANDINS_DATABASE_URL: mariadb.url(`${database}_standins`),
      STANDINS_HOST: STANDINS,
      STANDINS_VIDEO_PORT: String(videoPort),
      STANDINS_COURSE_SITE_PORT: String(courseSitePort),
      STANDINS_VIDEO_SECRET: videoSecret,
      STANDINS_VIDEO_PHONE: VIDEO_PHONE,
      STANDINS_COURSE_SITE_TOKEN: courseSiteToken,
      STANDINS_WEBHOOK: `${publicUrl}/api/webhooks/video`,
      STANDINS_GLEN: publicUrl,
      ...signOn.standins,
      ...mail.standins,
    },
  };
}

/** Parts of Glen in processes of their own. */
const inOwn = (around, quiet) => ({
  startStandins: () =>
    startNode(join(root, 'apps/standins/dist/main.js'), around.standins, 'Stand-ins are ready', {
      quiet,
    }),
  startServer: (env = {}) =>
    startNode(
      join(root, 'apps/server/dist/demo.js'),
      { ...around.server, ...env },
      'Glen is ready',
      { quiet },
    ),
});

/** The same in processes that are kept for the next ones. */
function inKept(kept, around) {
  const begin = (part, env) => ({ started: part.start(env), stop: (signal) => part.stop(signal) });
  return {
    startStandins: () => begin(kept.standins, around.standins),
    startServer: (env = {}) => begin(kept.server, { ...around.server, ...env }),
  };
}

/**
 * A whole Glen with the demo school on a database of its own: { publicUrl, courseSite, video, stop, restartServer }.
 * `at` is the demo's school time, 'live' the real one; left out, the clock stays as it is. `loaded` says that the
 * school stands in the database already, so that nothing waits for anything. `kept`: processes of `scripts/kept.mjs` to
 * start it in. `onRestart`: what dies is started again, and this is told of it.
 */
export async function startDemo({
  mariadb,
  database,
  port,
  at,
  fresh = false,
  loaded = false,
  undoSeconds,
  gatherSeconds,
  quiet = false,
  kept,
  onRestart,
}) {
  if (fresh)
    for (const name of [database, `${database}_standins`])
      await statement(mariadb, `DROP DATABASE IF EXISTS ${name}`);
  for (const name of [database, `${database}_standins`])
    await statement(
      mariadb,
      `CREATE DATABASE IF NOT EXISTS ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
    );
  const around = await surroundings({
    mariadb,
    database,
    port: port ?? (await freePort()),
    undoSeconds,
    gatherSeconds,
  });
  const { startStandins, startServer } = kept ? inKept(kept, around) : inOwn(around, quiet);
  /** Begun with `env`, and where it dies without: the school's clock goes on. */
  const keep = (name, begin, env) => {
    if (!onRestart) return begin(env);
    let isFirst = true;
    const beginOrAgain = () => {
      const part = begin(isFirst ? env : {});
      isFirst = false;
      return part;
    };
    return keptAlive(name, beginOrAgain, onRestart);
  };
  const standins = keep('outside world', startStandins);
  if (!loaded) await standins.started;
  let server = keep('server', startServer, at ? { GLEN_DEMO_AT: at } : {});
  await Promise.all([standins.started, server.started]);
  return {
    ...around,
    stop: async () => {
      await server.stop();
      await standins.stop();
    },
    stopServer: (signal) => server.stop(signal),
    /** Stops the server with a signal and starts it again on the same database; school time goes on. `env`: what is set otherwise from now on; undefined is not set at all. */
    restartServer: async (signal = 'SIGTERM', env = {}) => {
      await server.stop(signal);
      server = startServer(env);
      await server.started;
    },
  };
}

export { freePort, startMariadb };
