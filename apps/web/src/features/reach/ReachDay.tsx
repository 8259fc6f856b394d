import { Link } from 'react-router';
import { dateInWords, withReach } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { ChoicePart } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { SiteTrouble } from './SiteTrouble.js';
import { VERDICTS } from './verdicts.js';
import { many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type OfDay = Answer<'reachOfDay'>;
type OfLink = OfDay['links'][number];

/** In the order in which they need thought. */
const ORDER = ['leak', 'stale', 'none', 'several', 'unproven', 'clear'] as const;

const countInWords = (n: number): string => many(say.people, n);

function Counts({ counts }: Pick<OfLink, 'counts'>) {
  const said = ORDER.filter((verdict) => counts[verdict] > 0);
  if (said.length === 0) return <span className="text-soft">{say.itIsForNobodyYet}</span>;
  return (
    <span className="flex flex-wrap gap-x-4">
      {said.map((verdict) => {
        const { mark, dress, words } = VERDICTS[verdict];
        return (
          <span key={verdict} className={dress}>
            <span aria-hidden="true">{mark} </span>
            {countInWords(counts[verdict])}: {words}
          </span>
        );
      })}
    </span>
  );
}

function LinkOfDay({ link }: { link: OfLink }) {
  const { linkId, name, pennant, session, at } = link;
  const moment = session && !session.over ? `&at=${at.date}T${at.time}` : '';
  return (
    <li className="flex items-start gap-3 border-t border-line py-2.5">
      <span className="mt-0.5 w-12 shrink-0 font-mono text-sm">
        {session?.time ?? <span aria-label={say.noSession}>–</span>}
      </span>
      <span className="mt-0.5">
        <Pennant pennant={pennant} size="small" />
      </span>
      <div className="min-w-0 flex-1">
        <p>
          <Link className="hover:underline" to={`/posts/reach?link=${linkId}${moment}`}>
            {name}
          </Link>
          {session?.over && <span className="text-sm text-soft"> {say.over}</span>}
        </p>
        <p className="text-sm">
          <Counts counts={link.counts} />
        </p>
      </div>
    </li>
  );
}

interface ListProps {
  title: string;
  links: OfLink[];
}

function LinksOfDay({ title, links }: ListProps) {
  if (links.length === 0) return null;
  return (
    <section aria-label={title} className="mb-6">
      <h2 className="mb-1 text-base">{title}</h2>
      <ul>
        {links.map((link) => (
          <LinkOfDay key={link.linkId} link={link} />
        ))}
      </ul>
    </section>
  );
}

function Lists({ day }: { day: OfDay }) {
  const trouble = day.links.find((link) => link.trouble !== null)?.trouble ?? null;
  if (day.links.length === 0)
    return <Empty title={say.noLinksYet}>{say.thoseOfClassPeriods}</Empty>;
  return (
    <>
      <SiteTrouble trouble={trouble} />
      <LinksOfDay
        title={say.forTheDaysSessions}
        links={day.links.filter((link) => link.session !== null)}
      />
      <LinksOfDay
        title={say.withoutASessionThatDay}
        links={day.links.filter((link) => link.session === null)}
      />
    </>
  );
}

interface ReachDayProps {
  /** A date; blank: today. */
  date: string;
  links: { value: string; label: string }[];
  go: (part: Record<string, string>) => void;
}

/** Who sees which link over all that somebody hosts, on a day: what its lessons would be spoiled by first. */
export function ReachDay({ date, links, go }: ReachDayProps) {
  const asked = api.useReachOfDayQuery({ query: { date: date || undefined } });
  const day = asked.currentData;
  const act = useNoteActions();
  const shown = date || day?.date || '';
  return (
    <Screen margin={day && <Margin notes={withReach([], day.links)} onAction={act} />}>
      <ScreenTitle tab={say.whoSeesWhichOfAll}>{say.whoSeesWhichLink}</ScreenTitle>
      <p className="mt-1 mb-4 text-lg leading-sentence">
        <Said
          as={say.forLinkOnDayShown}
          link={
            <ChoicePart
              label={say.link}
              value=""
              onChange={(link) => go({ link, day: '' })}
              choices={links}
            />
          }
          day={
            <DateField
              aria-label={say.day}
              dress="part"
              value={shown}
              onChange={(to) => {
                if (to) go({ day: to });
              }}
            />
          }
          shown={shown && <span className="sr-only">{dateInWords(shown, 'long')}</span>}
        />
      </p>
      <Loaded asked={{ ...asked, data: day }} isPart>
        {(of) => <Lists day={of} />}
      </Loaded>
    </Screen>
  );
}
