import type { Answer, Me, Sent } from '@glen/contract';
import { areStaff } from '@glen/core/light';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { BackLink } from '../../ui/BackLink.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { PickOne } from '../../ui/PickOne.js';
import { TextField } from '../../ui/TextField.js';
import { BrowserNotices } from '../../ui/BrowserNotices.js';
import { Theirs } from '../../ui/Theirs.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Browsers } from './Browsers.js';
import { kindInWords } from './kindInWords.js';
import { NewAddress } from './NewAddress.js';
import { FirstPassword, NewPassword } from './NewPassword.js';
import { SignOnButtons } from './SignOnButtons.js';
import { SignOnTroubleNote } from './SignOnTrouble.js';
import { OwnSignOns } from './OwnSignOns.js';
import { Passkeys } from './Passkeys.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Own = Answer<'ownAccount'>;
type Wishes = Omit<Sent<'setOwnAccount'>, 'version'>;

const THEMES = [
  ['system', say.asThisMachineHasIt],
  ['light', 'light'],
  ['dark', 'dark'],
] as const;

const schema = async () => (await import('@glen/contract/forms')).ownWishes.omit({ version: true });

const ORDERS = [
  ['school', say.asTheSchoolDoes],
  ['dmy', say.dayFirst],
  ['mdy', say.monthFirst],
  ['ymd', '2026-10-14'],
] as const;
const HOURS = [
  ['school', say.asTheSchoolDoes],
  ['24', '14:05'],
  ['12', say.pm],
] as const;

const SaidBySchool = ({ name }: { name: string }) => (
  <p>
    <Said as={say.youAreCalledTheSchool} name={<b>{name}</b>} />
  </p>
);

const fieldsOf = ({ name, theme, dateOrder, hours, told }: Own): Wishes => ({
  name,
  theme,
  dateOrder,
  hours,
  told,
});

interface ToldProps {
  own: Own;
  told: Wishes['told'];
  isStaff: boolean;
  onChange: (told: Wishes['told']) => void;
}

type Kind = keyof Wishes['told'];
const KINDS: [Kind, string][] = [
  ['changes', say.whenOthersChangeWhatTouches],
  ['reminders', say.anHourBeforeWhatYou],
  ['mornings', say.yourDayInTheMorning],
  ['evenings', say.anEveningThatYouCome],
  ['posts', say.whatTeachersWriteToYou],
  ['weeks', say.whoCameInTheWeek],
];

type Way = keyof typeof say.ways | 'school';

/** Of what only those hear who teach or look after the school. */
const OF_STAFF: Kind[] = ['weeks'];

/** How one hears of things; whoever says nothing hears as the school has it. */
const Told = ({ own, told, isStaff, onChange }: ToldProps) => (
  <>
    {KINDS.filter(([kind]) => isStaff || !OF_STAFF.includes(kind)).map(([kind, words]) => (
      <div key={kind}>
        <p className="mb-1 text-sm font-semibold">{words}</p>
        <PickOne
          label={words}
          value={told[kind] ?? 'school'}
          choices={[
            ['school', fill(say.asTheSchoolDoesWay, { way: say.ways[own.toldBySchool[kind]] })],
            ...(Object.entries(say.ways) as [Way, string][]),
          ]}
          onChange={(way: Way) => onChange({ ...told, [kind]: way === 'school' ? null : way })}
        />
      </div>
    ))}
    {!own.mails && <p className="text-sm text-soft">{say.noMailServiceIsSet}</p>}
  </>
);

interface WritesProps {
  dateOrder: Wishes['dateOrder'];
  hours: Wishes['hours'];
  onChange: (part: Partial<Pick<Wishes, 'dateOrder' | 'hours'>>) => void;
}

/** How one writes dates and times into fields. */
const WritesPart = ({ dateOrder, hours, onChange }: WritesProps) => (
  <>
    <div>
      <p className="mb-1 text-sm font-semibold">{say.youWriteDates}</p>
      <PickOne
        label={say.youWriteDates}
        value={dateOrder ?? 'school'}
        choices={ORDERS}
        onChange={(v) => onChange({ dateOrder: v === 'school' ? null : v })}
      />
    </div>
    <div>
      <p className="mb-1 text-sm font-semibold">{say.youWriteTimes}</p>
      <PickOne
        label={say.youWriteTimes}
        value={hours ?? 'school'}
        choices={HOURS}
        onChange={(v) => onChange({ hours: v === 'school' ? null : v })}
      />
    </div>
  </>
);

function WishesForm({ own, isStaff }: { own: Own; isStaff: boolean }) {
  const [save] = api.useSetOwnAccountMutation();
  const form = useKeptForm<Own, Wishes, Wishes>({
    kept: own,
    fieldsOf,
    schema,
    save: (sent, version) => save({ body: { ...sent, version } }),
  });
  const { register, watch, setValue, formState, problem, theirs, isDirty, submit } = form;
  const dirty = { shouldDirty: true };
  return (
    <form className="grid gap-4" noValidate onSubmit={submit}>
      {theirs && (
        <Theirs what={say.yourAccountWithin} saveOver={form.saveOver} takeTheirs={form.takeTheirs}>
          {fill(say.thereYouAreCalled, { theirs: theirs.name })}
        </Theirs>
      )}
      {own.mayRename ? (
        <TextField
          label={say.whatYouAreCalled}
          error={formState.errors.name?.message}
          {...register('name')}
        />
      ) : (
        <SaidBySchool name={own.name} />
      )}
      <div>
        <p className="mb-1 text-sm font-semibold">{say.colours}</p>
        <PickOne
          label={say.colours}
          value={watch('theme') ?? 'system'}
          choices={THEMES}
          onChange={(theme) => setValue('theme', theme === 'system' ? null : theme, dirty)}
        />
      </div>
      {isStaff && (
        <WritesPart
          dateOrder={watch('dateOrder')}
          hours={watch('hours')}
          onChange={(part) =>
            Object.entries(part).forEach(([name, v]) => setValue(name as keyof Wishes, v, dirty))
          }
        />
      )}
      <Told
        own={own}
        told={watch('told')}
        isStaff={isStaff}
        onChange={(told) => setValue('told', told, dirty)}
      />
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || formState.isSubmitting}>
          {say.saveTheChanges}
        </Button>
      </p>
    </form>
  );
}

interface AddressProps {
  account: Own['accounts'][number];
  isStaff: boolean;
  inUse: boolean;
}

/** What can be done about one of one's addresses. */
function AddressOf({ account, isStaff, inUse }: AddressProps) {
  if (account.kind === 'school' && !isStaff)
    return <p className="text-sm text-soft">{say.theSchoolSays}</p>;
  if (!account.hasPassword) return <p className="text-sm text-soft">{say.itCanBeChangedOnce}</p>;
  if (!inUse) return <p className="text-sm text-soft">{say.itIsChangedWhile}</p>;
  return <NewAddress account={account} />;
}

/** Another account becomes theirs by signing on with it: both are proven then. */
function AnotherAccount({ me }: { me: Me }) {
  if (me.ways.providers.length === 0) return null;
  return (
    <section aria-label={say.oneMoreAccountOfMine} className="mt-5 max-w-md">
      <h3 className="mb-1 text-base">{say.oneMoreAccountOfMine}</h3>
      <p className="mb-3 text-soft">{say.signOnWithIt}</p>
      <SignOnTroubleNote me={me} join />
      <SignOnButtons providers={me.ways.providers} asksAnew={() => true} join />
    </section>
  );
}

/** The password of the account in use; one that was proven otherwise has none. */
function PasswordPart({ own, email }: { own: Own; email: string }) {
  const inUse = own.accounts.find((account) => account.email === email);
  const name = <span className="break-all">{email}</span>;
  if (inUse && !inUse.hasPassword && inUse.signOns.length > 0)
    return (
      <p className="text-soft">
        <Said as={say.theAccountInUseHas} email={name} />
      </p>
    );
  if (inUse && !inUse.hasPassword)
    return (
      <>
        <p className="mb-3 text-soft">
          <Said as={say.theAccountInUseHasNone} email={name} />
        </p>
        <FirstPassword email={email} />
      </>
    );
  return (
    <>
      <p className="mb-3 text-soft">
        <Said as={say.ofTheAccountInUse} name={name} />
      </p>
      <NewPassword email={email} />
    </>
  );
}

function Account({ own, me }: { own: Own; me: Me }) {
  const isStaff = areStaff(me.person!.roles);
  return (
    <div className="grid max-w-2xl gap-8">
      <WishesForm own={own} isStaff={isStaff} />
      <BrowserNotices />
      <section aria-label={say.password}>
        <h2 className="mb-2 text-xl">{say.password}</h2>
        <PasswordPart own={own} email={me.account!.email} />
      </section>
      <Passkeys me={me} />
      <Browsers zone={me.school.zone} />
      <section aria-label={say.addresses}>
        <h2 className="mb-2 text-xl">{say.addresses}</h2>
        <ul>
          {own.accounts.map((account) => (
            <li key={account.id} className="border-t border-line py-3">
              <b className="break-all">{account.email}</b>{' '}
              <span className="text-soft">{kindInWords(account.kind)}</span>
              <OwnSignOns account={account} zone={me.school.zone} />
              <AddressOf
                account={account}
                isStaff={isStaff}
                inUse={account.id === me.account!.id}
              />
            </li>
          ))}
        </ul>
        <AnotherAccount me={me} />
      </section>
    </div>
  );
}

/** Your account: what you are called, how you sign in, and what you wish to see and hear. */
export default function AccountPage({ me }: { me: Me }) {
  const asked = api.useOwnAccountQuery();
  return (
    <main id="main" className="mx-auto w-full max-w-4xl px-6 py-6">
      <BackLink />
      <ScreenTitle tab={say.yourAccount} className="mb-5" />
      <Loaded asked={asked} isPart>
        {(own) => <Account own={own} me={me} />}
      </Loaded>
    </main>
  );
}
