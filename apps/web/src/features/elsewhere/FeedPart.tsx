import { Feed, useFeeds } from '../feed/Feeds.js';
import * as say from './words.js';

/** The private addresses of a class period's calendar and of what is posted there; for its hosts. */
export function FeedPart({ classId, zone }: { classId: number; zone: string }) {
  const { feeds, acts } = useFeeds(zone);
  const feed = feeds?.classes.find((one) => one.classId === classId);
  if (!feed) return null;
  return (
    <section aria-label={say.privateAddresses} className="mt-6">
      <h2 className="text-lg">{say.addressesThatFollow}</h2>
      <p className="max-w-2xl text-soft">{say.aCalendarWithAll}</p>
      <ul className="max-w-xl">
        <Feed {...feed} {...acts({ classId })} />
      </ul>
    </section>
  );
}
