import { Feed, useFeeds } from '../feed/Feeds.js';

/** The private addresses of a class period's calendar and of what is posted there; for its hosts. */
export function FeedPart({ classId, zone }: { classId: number; zone: string }) {
  const { feeds, acts } = useFeeds(zone);
  const feed = feeds?.classes.find((one) => one.classId === classId);
  if (!feed) return null;
  return (
    <section aria-label="Private addresses" className="mt-6">
      <h2 className="text-lg">Addresses that follow</h2>
      <p className="max-w-2xl text-soft">
        A calendar with all its sessions, and a feed (Atom) of what is posted to all of it, always
        as they stand. Whoever has an address can read it, until it is switched off.
      </p>
      <ul className="max-w-xl">
        <Feed {...feed} {...acts({ classId })} />
      </ul>
    </section>
  );
}
