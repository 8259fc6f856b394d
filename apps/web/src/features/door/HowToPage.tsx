import { Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { Loading, Trouble } from '../../ui/States.js';

/** How to get in by a link, for students: a page on the phone, and a sheet of paper. */
export default function HowToPage() {
  const code = useParams().code ?? '';
  const { data, error, refetch } = api.useHowToQuery({ params: { code } });
  const part = 'mt-6 mb-2 text-lg';
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-xl px-5 py-7 print:max-w-none print:p-0">
      {error && !data ? (
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      ) : !data ? (
        <Loading lines={6} />
      ) : (
        <>
          <header className="flex items-center gap-4">
            <Pennant pennant={data.pennant} size="large" />
            <div className="min-w-0">
              <h1 className="text-2xl break-words">How to get in: {data.title}</h1>
              <p className="text-soft">
                {data.title === data.classTitle ? '' : `${data.classTitle}, `}
                {data.host}
              </p>
            </div>
          </header>
          {data.stopped && (
            <p
              role="alert"
              className="mt-4 rounded-small bg-berry-tint p-3 font-semibold text-berry-deep"
            >
              This link has been stopped: nobody gets in by it any more. Ask{' '}
              {data.host || 'your teacher'} for the new one.
            </p>
          )}
          {data.differs && (
            <p className="mt-4 rounded-small bg-gorse-tint p-3 text-gorse-deep">{data.differs}</p>
          )}
          <p className="mt-4 rounded-small bg-shade p-3 text-center font-mono text-lg font-bold break-all">
            {data.address.replace(/^https?:\/\//, '')}
          </p>
          <p className="mt-3 flex flex-wrap gap-3 print:hidden">
            {!data.stopped && (
              <Link
                className="inline-flex items-center rounded-small border border-bracken bg-bracken px-4 py-2 font-semibold text-on-act"
                to={`/door/${data.code}`}
              >
                To the door
              </Link>
            )}
            <Button onClick={() => window.print()}>
              <Printer size={16} aria-hidden="true" />
              Print this
            </Button>
          </p>
          <h2 className={part}>Step by step</h2>
          <ol className="grid list-decimal gap-1.5 pl-6">
            {data.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          <h2 className={part}>The lobby</h2>
          <p>{data.lobby}</p>
          <h2 className={part}>When it does not work</h2>
          <dl className="grid gap-2">
            {data.trouble.map((t) => (
              <div key={t.when}>
                <dt className="font-semibold">{t.when}</dt>
                <dd>{t.then}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </main>
  );
}
