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

type Own = Answer<'ownAccount'>;
type Wishes = Omit<Sent<'setOwnAccount'>, 'version'>;

const THEMES = [
  ['system', 'as this machine has it'],
  ['light', 'light'],
  ['dark', 'dark'],
] as const;

const schema = async () => (await import('@glen/contract/forms')).ownWishes.omit({ version: true });

const ORDERS = [
  ['school', 'as the school does'],
  ['dmy', '14 Oct 2026'],
  ['mdy', 'Oct 14, 2026'],
  ['ymd', '2026-10-14'],
] as const;
const HOURS = [
  ['school', 'as the school does'],
  ['24', '14:05'],
  ['12', '2:05 pm'],
] as const;

const SaidBySchool = ({ name }: { name: string }) => (
  <p>
    You are called <b>{name}</b>; the school says so.
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
  ['changes', 'When others change what touches you'],
  ['reminders', 'An hour before what you teach or attend begins'],
  ['mornings', 'Your day, in the morning'],
  ['evenings', 'An evening that you come to, a week before'],
  ['posts', 'What teachers write to you'],
  ['weeks', 'Who came in the week to what you teach'],
];

const WAYS = { mail: 'by mail, and in Glen', glen: 'in Glen alone', none: 'not at all' };
type Way = keyof typeof WAYS | 'school';

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
            ['school', `as the school does: ${WAYS[own.toldBySchool[kind]]}`],
            ...(Object.entries(WAYS) as [Way, string][]),
          ]}
          onChange={(way: Way) => onChange({ ...told, [kind]: way === 'school' ? null : way })}
        />
      </div>
    ))}
    {!own.mails && (
      <p className="text-sm text-soft">
        No mail service is set up here: what would come by mail stands in Glen alone.
      </p>
    )}
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
      <p className="mb-1 text-sm font-semibold">You write dates</p>
      <PickOne
        label="You write dates"
        value={dateOrder ?? 'school'}
        choices={ORDERS}
        onChange={(v) => onChange({ dateOrder: v === 'school' ? null : v })}
      />
    </div>
    <div>
      <p className="mb-1 text-sm font-semibold">You write times</p>
      <PickOne
        label="You write times"
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
        <Theirs what="your account" saveOver={form.saveOver} takeTheirs={form.takeTheirs}>
          There you are called {theirs.name}.
        </Theirs>
      )}
      {own.mayRename ? (
        <TextField
          label="What you are called"
          error={formState.errors.name?.message}
          {...register('name')}
        />
      ) : (
        <SaidBySchool name={own.name} />
      )}
      <div>
        <p className="mb-1 text-sm font-semibold">Colours</p>
        <PickOne
          label="Colours"
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
          Save it
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
    return <p className="text-sm text-soft">The school says by which address it knows you.</p>;
  if (!account.hasPassword)
    return <p className="text-sm text-soft">It can be changed once the account has a password.</p>;
  if (!inUse)
    return <p className="text-sm text-soft">It is changed while that account is in use.</p>;
  return <NewAddress account={account} />;
}

/** Another account becomes theirs by signing on with it: both are proven then. */
function AnotherAccount({ me }: { me: Me }) {
  if (me.ways.providers.length === 0) return null;
  return (
    <section aria-label="One more account of mine" className="mt-5 max-w-md">
      <h3 className="mb-1 text-base">One more account of mine</h3>
      <p className="mb-3 text-soft">
        Sign on with it, and it is yours here too: at a door you change to it in one press.
      </p>
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
        {name}, the account in use, has none: you came in otherwise. The office can give you a way
        to set one.
      </p>
    );
  if (inUse && !inUse.hasPassword)
    return (
      <>
        <p className="mb-3 text-soft">
          {name}, the account in use, has none: you came by an address that worked once. Set one to
          sign in by it later, at any browser.
        </p>
        <FirstPassword email={email} />
      </>
    );
  return (
    <>
      <p className="mb-3 text-soft">
        Of {name}, the account in use. Every other browser is signed out of it.
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
      <section aria-label="Password">
        <h2 className="mb-2 text-xl">Password</h2>
        <PasswordPart own={own} email={me.account!.email} />
      </section>
      <Passkeys me={me} />
      <Browsers zone={me.school.zone} />
      <section aria-label="Addresses">
        <h2 className="mb-2 text-xl">Addresses</h2>
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
      <ScreenTitle tab="Your account" className="mb-5" />
      <Loaded asked={asked} isPart>
        {(own) => <Account own={own} me={me} />}
      </Loaded>
    </main>
  );
}
