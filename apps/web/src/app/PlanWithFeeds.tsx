import type { Me } from '@glen/contract';
import { FeedsButton } from '../features/feed/Feeds.js';
import { PlanPage } from '../features/plan/PlanPage.js';

/** The plan, and with it the way to have it in a calendar of one's own. */
export default function PlanWithFeeds({ me }: { me: Me }) {
  return <PlanPage me={me} tools={<FeedsButton zone={me.school.zone} />} />;
}
