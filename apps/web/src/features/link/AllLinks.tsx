import { Link } from 'react-router';
import type { Note } from '@glen/core';
import type { LinkRow, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { inputClass } from '../../ui/Field.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { LinkTable } from './LinkTable.js';
import { copyLines } from './copy.js';
import { LINK_STATES, useLinkTable, type LinkState } from './useLinkTable.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

const isForNobody = (link: LinkRow): boolean =>
  link.state === 'live' && link.audienceSize === 0 && link.kind !== 'event';

function notesFor(links: LinkRow[]): Note[] {
  const forNobody = links.filter(isForNobody).length;
  const nobody: Note = {
    severity: 'careful',
    title: many(say.linksAreForNobody, forNobody),
    text: say.byTheirRulesNobody,
  };
  const working: Note = {
    severity: 'inform',
    title: fill(say.linksWork, { linksCount: links.filter((l) => l.state === 'live').length }),
    text: say.chooseSomeToCopyThem,
  };
  return forNobody > 0 ? [nobody, working] : [working];
}

/** Finds links by words, and chooses which are shown at all. */
function Search({ typed, setTyped, state, setState }: ReturnType<typeof useLinkTable>) {
  return (
    <>
      <input
        aria-label={say.findALink}
        placeholder={say.findANameAClass}
        className={`${inputClass} !w-80 !py-1.5`}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      <span role="group" aria-label={say.which} className="flex gap-1.5">
        {(Object.keys(LINK_STATES) as LinkState[]).map((s) => (
          <Button
            key={s}
            kind={state === s ? 'strong' : 'plain'}
            aria-pressed={state === s}
            onClick={() => setState(s)}
          >
            {LINK_STATES[s]}
          </Button>
        ))}
      </span>
    </>
  );
}

/** What can be done with the chosen links; printing takes all that are shown if none is chosen. */
function ChosenActions({ chosen, shown }: { chosen: LinkRow[]; shown: LinkRow[] }) {
  const printed = chosen.length > 0 ? chosen : shown;
  const lines = chosen.map((l) => ({
    words: `${l.label}, ${l.classTitle}`,
    address: l.address,
  }));
  return (
    <span className="ml-auto flex gap-2.5">
      <Button disabled={chosen.length === 0} onClick={() => void copyLines(lines)}>
        {chosen.length > 1 ? fill(say.copyLinks, { chosenCount: chosen.length }) : say.copyLink}
      </Button>
      <Link
        className={buttonClass()}
        aria-disabled={shown.length === 0}
        to={`/classes/links?ids=${printed.map((l) => l.id).join('.')}`}
      >
        {chosen.length > 0
          ? fill(say.printWithQrCodes, { chosenCount: chosen.length })
          : say.printAllWithQrCodes}
      </Link>
    </span>
  );
}

const NoLinks = ({ isEmpty }: { isEmpty: boolean }) =>
  isEmpty ? (
    <Empty title={say.noLinksYet}>{say.onceTheOfficePutsYouDown}</Empty>
  ) : (
    <Empty title={say.noLinkFits}>{say.tryFewerLettersOrLook}</Empty>
  );

function AllLinks({ links, zone }: { links: LinkRow[]; zone: string }) {
  const found = useLinkTable(links, zone);
  const rows = found.table.getRowModel().rows;
  // Only what is on the screen is acted on.
  const chosen = rows.filter((r) => r.getIsSelected()).map((r) => r.original);
  const isAll = rows.length === links.length;
  return (
    <Screen margin={<Margin notes={notesFor(links)} />}>
      <header className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <ScreenTitle tab={say.allMyLinks} />
        <p className="text-soft">
          {isAll
            ? fill(say.linksCountLinks, { linksCount: links.length })
            : fill(say.rowsCountOfLinksCount, { rowsCount: rows.length, linksCount: links.length })}
        </p>
      </header>
      <div className="mb-3 flex flex-wrap items-center gap-2.5">
        <Search {...found} />
        <ChosenActions chosen={chosen} shown={rows.map((r) => r.original)} />
      </div>
      {rows.length === 0 ? (
        <NoLinks isEmpty={links.length === 0} />
      ) : (
        <LinkTable table={found.table} />
      )}
    </Screen>
  );
}

/** Every link that one hosts, in one table. */
export default function AllLinksPage({ me }: { me: Me }) {
  const asked = api.useLinksQuery();
  return (
    <Loaded asked={asked} lines={8}>
      {({ links }) => <AllLinks links={links} zone={me.school.zone} />}
    </Loaded>
  );
}
