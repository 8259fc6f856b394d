// A process in which one Glen after another is started and stopped, as it is told by whoever has forked it: what takes
// longest, reading the code, is done once. The module is named first; it exports `start(env)`, which gives `{ stop }`.
const { start } = await import(process.argv[2]);
let running;

const orders = {
  start: async (env) => {
    running = await start(env);
  },
  stop: async () => {
    await running?.stop();
    running = undefined;
  },
};

process.on('message', ({ id, order, env }) => {
  orders[order](env).then(
    () => process.send({ id }),
    (error) => process.send({ id, error: String(error?.stack ?? error) }),
  );
});
// Nobody is left to give orders.
process.once('disconnect', () => process.exit(0));
process.send({ id: 0 });
