import { Link } from 'react-router';
import type { Me } from '@glen/contract';
import { FeedsButton } from '../features/feed/Feeds.js';
import { PlanPage } from '../features/plan/PlanPage.js';
import { buttonClass } from '../ui/Button.js';
import * as say from './words.js';

const Tools = ({ zone }: { zone: string }) => (
  <>
    <Link className={`${buttonClass()} !px-2.5 !py-1 !text-sm`} to="/free">
      {say.freeTimes}
    </Link>
    <Link className={`${buttonClass()} !px-2.5 !py-1 !text-sm`} to="/appointments">
      {say.appointments}
    </Link>
    <FeedsButton zone={zone} />
  </>
);

/** The plan, and with it the ways to find times, and to have it in a calendar of one's own. */
export default function PlanWithFeeds({ me }: { me: Me }) {
  return <PlanPage me={me} tools={<Tools zone={me.school.zone} />} />;
}
