import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { BackLink } from '../../ui/BackLink.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { TermShown } from './TermShown.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** How one stood oneself this term, where the school shows it. */
export default function MyTermPage() {
  const asked = api.useOwnTermQuery();
  return (
    <Screen margin={false}>
      <BackLink />
      <ScreenTitle tab={say.myTerm}>{say.myTerm}</ScreenTitle>
      <Loaded asked={asked} lines={6}>
        {({ shown, keptDays }) => (
          <>
            {shown ? (
              <TermShown of={shown} />
            ) : (
              <p className="text-soft">{say.yourSchoolDoesNotShow}</p>
            )}
            <p className="mt-6 max-w-2xl text-sm text-soft">
              {fill(say.whenYouCame, { keptDays })}
            </p>
          </>
        )}
      </Loaded>
    </Screen>
  );
}
