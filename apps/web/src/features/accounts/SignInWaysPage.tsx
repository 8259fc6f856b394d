import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Theirs } from '../../ui/Theirs.js';
import { SchoolTabs } from '../school/SchoolTabs.js';
import { ClaimRules } from './ClaimRules.js';
import { WaysTable } from './WaysTable.js';
import { useSignInWays, type SignInWays, type WaysEditing } from './useSignInWays.js';
import { waysNotes } from './waysNotes.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Whether what changes everybody asks for a passkey. */
function AsksPasskey({ editing }: { editing: WaysEditing }) {
  const error = editing.errorAt('asksPasskey');
  return (
    <section aria-label={say.whatChangesEverybody} className="mt-8 max-w-2xl">
      <h2 className="mb-1 text-xl">{say.whatChangesEverybody}</h2>
      {editing.hasPasskeys ? (
        <label className="flex items-baseline gap-2.5">
          <input type="checkbox" className="accent-bracken" {...editing.register('asksPasskey')} />
          {say.headAndOfficeShow}
        </label>
      ) : (
        <p className="text-soft">{say.headAndOfficeCould}</p>
      )}
      {error && <FieldError>{error}</FieldError>}
    </section>
  );
}

function Editor({ kept }: { kept: SignInWays }) {
  const editing = useSignInWays(kept);
  const { problem, theirs, isDirty, formState, submit } = editing;
  const isBeside = (problem?.errors ?? []).length > 0;
  return (
    <Screen margin={<Margin notes={waysNotes(kept)} />}>
      <SchoolTabs />
      <ScreenTitle tab={say.howPeopleSignIn} className="mb-4" />
      <form noValidate onSubmit={submit}>
        {theirs && (
          <Theirs
            what={'how people sign in'}
            saveOver={editing.saveOver}
            takeTheirs={editing.takeTheirs}
          >
            {fill(say.theirsTakesNewcomers, { rulesCount: theirs.rules.length })}
          </Theirs>
        )}
        <WaysTable editing={editing} />
        <AsksPasskey editing={editing} />
        <ClaimRules editing={editing} />
        {problem && !theirs && !isBeside && <FieldError>{problem.title}</FieldError>}
        <p className="mt-6 flex gap-3">
          <Button type="submit" kind="act" disabled={!isDirty || formState.isSubmitting}>
            {say.saveTheChanges}
          </Button>
          {isDirty && <Button onClick={editing.asItWas}>{say.asItWas}</Button>}
        </p>
      </form>
    </Screen>
  );
}

/** How people sign in: which ways are open to whom, and who is taken in as they come. */
export default function SignInWaysPage() {
  const asked = api.useSignInWaysQuery();
  return <Loaded asked={asked}>{(kept) => <Editor kept={kept} />}</Loaded>;
}
