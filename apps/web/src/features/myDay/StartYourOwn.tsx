/** Where the school is made up: how to begin with one's own. */
export const StartYourOwn = () => (
  <section className="mt-5 border-t border-line pt-4 text-md text-soft">
    <h3 className="font-sans text-md font-bold text-ink">Start your own</h3>
    <p>
      Everyone here is made up. On a machine of yours{' '}
      <code className="font-mono">./glen serve</code> begins with nothing, and after four short
      pages your first link stands.
    </p>
  </section>
);
