import { Printer } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type HowTo = Answer<'howTo'>;

const Head = ({ pennant, title, classTitle, host }: HowTo) => (
  <header className="flex items-center gap-4">
    <Pennant pennant={pennant} size="large" />
    <div className="min-w-0">
      <ScreenTitle tab={fill(say.howToGetIn, { title })} />
      <p className="text-soft">
        {title === classTitle ? '' : `${classTitle}, `}
        {host}
      </p>
    </div>
  </header>
);

/** What has to be known before the steps: the link is stopped, or differs from the others. */
const Warnings = ({ stopped, differs, host }: HowTo) => (
  <>
    {stopped && (
      <p
        role="alert"
        className="mt-4 rounded-small bg-berry-tint p-3 font-semibold text-berry-deep"
      >
        {fill(say.thisLinkHasBeenStopped, { host: host || say.yourTeacher })}
      </p>
    )}
    {differs && <p className="mt-4 rounded-small bg-gorse-tint p-3 text-gorse-deep">{differs}</p>}
  </>
);

const Address = ({ address, code, stopped }: HowTo) => (
  <>
    <p className="mt-4 rounded-small bg-shade p-3 text-center font-mono text-lg font-bold break-all">
      {address.replace(/^https?:\/\//, '')}
    </p>
    <p className="mt-3 flex flex-wrap gap-3 print:hidden">
      {!stopped && (
        <Link
          className="inline-flex items-center rounded-small border border-bracken bg-bracken px-4 py-2 font-semibold text-on-act"
          to={`/door/${code}`}
        >
          {say.toTheDoor}
        </Link>
      )}
      <Button onClick={() => window.print()}>
        <Printer size={16} aria-hidden="true" />
        {say.printThis}
      </Button>
    </p>
  </>
);

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <>
    <h2 className="mt-6 mb-2 text-lg">{title}</h2>
    {children}
  </>
);

/** Not the teacher who is teaching. */
function WhomToAsk() {
  const { data: me } = api.useMeQuery();
  if (!me?.school.help) return null;
  return (
    <p className="mt-3">
      <Said
        as={say.somethingTechnicalFailsAsk}
        strong={(text) => <b>{text}</b>}
        help={me.school.help}
      />
    </p>
  );
}

const Steps = ({ code, steps, slots, lobby, phone, trouble }: HowTo) => (
  <>
    {slots && (
      <Part title={say.yourSlot}>
        <p>{slots}</p>
        <p className="mt-2 print:hidden">
          <Link className={buttonClass()} to={`/sign-up/${code}`}>
            {say.takeASlot}
          </Link>
        </p>
      </Part>
    )}
    <Part title={say.stepByStep}>
      <ol className="grid list-decimal gap-1.5 pl-6">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
    </Part>
    <Part title={say.theLobby}>
      <p>{lobby}</p>
    </Part>
    {phone && (
      <Part title={say.byTelephone}>
        <p>{phone}</p>
      </Part>
    )}
    <Part title={say.whenItDoesNotWork}>
      <dl className="grid gap-2">
        {trouble.map((t) => (
          <div key={t.when}>
            <dt className="font-semibold">{t.when}</dt>
            <dd>{t.then}</dd>
          </div>
        ))}
      </dl>
      <WhomToAsk />
    </Part>
  </>
);

/** How to get in by a link, for students: a page on the phone, and a sheet of paper. */
export default function HowToPage() {
  const code = useParams().code ?? '';
  const asked = api.useHowToQuery({ params: { code } });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-xl px-5 py-7 print:max-w-none print:p-0">
      <Loaded asked={asked} isPart>
        {(howTo) => (
          <>
            <Head {...howTo} />
            <Warnings {...howTo} />
            <Address {...howTo} />
            <Steps {...howTo} />
          </>
        )}
      </Loaded>
    </main>
  );
}
