import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { BackLink } from '../../ui/BackLink.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { TermShown } from './TermShown.js';

/** How one stood oneself this term, where the school shows it. */
export default function MyTermPage() {
  const asked = api.useOwnTermQuery();
  return (
    <Screen margin={false}>
      <BackLink />
      <ScreenTitle tab="My term">My term</ScreenTitle>
      <Loaded asked={asked} lines={6}>
        {({ shown, keptDays }) => (
          <>
            {shown ? (
              <TermShown of={shown} />
            ) : (
              <p className="text-soft">Your school does not show registers to students.</p>
            )}
            <p className="mt-6 max-w-2xl text-sm text-soft">
              When you came to a lesson and left it is kept for {keptDays} days; from then on only
              how the register stood. What is wrong in it, tell your teacher: they can correct it.
            </p>
          </>
        )}
      </Loaded>
    </Screen>
  );
}
