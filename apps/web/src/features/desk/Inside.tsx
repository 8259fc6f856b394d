import type { DeskVisitor } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { MoreMenu, type MoreItem } from '../../ui/MoreMenu.js';
import { Column, Who } from './Column.js';
import { WhoIsThis } from './WhoIsThis.js';
import { calledAt, type Desk, type DeskActions } from './useDesk.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface InsideProps {
  desk: Desk;
  act: DeskActions;
}

interface PersonProps extends InsideProps {
  visitor: DeskVisitor;
}

/** Whether the rules, or a host for all, let somebody of a role share. */
const sharesAnyhow = ({ rules, allShare }: Desk, { role }: DeskVisitor): boolean =>
  allShare ||
  rules.sharing === 'everyone' ||
  (rules.sharing === 'presenters' && role === 'presenter');

/** What is done less often with somebody in the room. */
function moreWith(visitor: DeskVisitor, desk: Desk, act: DeskActions): MoreItem[] {
  const { id, role, mayShare, account } = visitor;
  if (desk.pastedRoom || role === 'watcher') return [];
  const share = mayShare
    ? { words: say.shareNoLonger, onSelect: () => act.letShare(id, false) }
    : { words: say.letShare, onSelect: () => act.letShare(id, true) };
  const mute = { words: say.mute, onSelect: () => act.mute(id) };
  if (account === 'phone') return [mute];
  return sharesAnyhow(desk, visitor) && !mayShare ? [mute] : [mute, share];
}

/** What is done with everybody in the room. */
function moreWithAll(desk: Desk, act: DeskActions): MoreItem[] {
  if (desk.pastedRoom || desk.inside.length === 0) return [];
  const mute = { words: say.muteEverybody, onSelect: act.muteAll };
  const chime = {
    words: desk.chimes ? say.announceNobodyWhoComes : say.announceWhoComesAndGoes,
    onSelect: () => act.setChime(!desk.chimes),
  };
  if (desk.rules.sharing === 'everyone' && !desk.allShare) return [mute, chime];
  const share = desk.allShare
    ? { words: say.shareByTheRulesAgain, onSelect: () => act.letAllShare(false) }
    : { words: say.letEverybodyShare, onSelect: () => act.letAllShare(true) };
  return [mute, share, chime];
}

/** With somebody in a room that Glen cannot reach into: the door alone is Glen's. */
const AtOurDoor = ({ visitor: { id, name }, act }: Omit<PersonProps, 'desk'>) => (
  <Button
    kind="danger-link"
    onClick={() => act.putOut(id)}
    aria-label={fill(say.keepFromComingBackIn, { name })}
  >
    {say.keepFromComingBackInShort}
  </Button>
);

/** What a host may do with somebody in the room. */
function PersonActions({ visitor, desk, act }: PersonProps) {
  const { id, name, role, mayPresent, account } = visitor;
  if (desk.pastedRoom) return <AtOurDoor visitor={visitor} act={act} />;
  return (
    <>
      {role === 'participant' && account !== 'phone' && (
        <Button
          onClick={() => act.letPresent(id, true)}
          aria-label={fill(say.letPresent, { name })}
        >
          {say.letPresentShort}
        </Button>
      )}
      {mayPresent && (
        <Button
          onClick={() => act.letPresent(id, false)}
          aria-label={fill(say.presentsNoLonger, { name })}
        >
          {say.noLonger}
        </Button>
      )}
      <MoreMenu
        words={say.more}
        label={fill(say.moreWith, { name })}
        items={moreWith(visitor, desk, act)}
      />
      <Button
        kind="danger-link"
        onClick={() => act.putOut(id)}
        aria-label={fill(say.putOut, { name })}
      >
        {say.putOutShort}
      </Button>
    </>
  );
}

function Coming({ people }: { people: DeskVisitor[] }) {
  if (people.length === 0) return null;
  return (
    <>
      <h3 className="mt-5 text-sm text-soft">{say.letInOnTheirWay}</h3>
      <ul>
        {people.map((v) => (
          <li key={v.id} className="border-t border-line py-1.5 break-words">
            {calledAt(v)}
          </li>
        ))}
      </ul>
    </>
  );
}

/** Who is in the room, hosts first, and who is on the way. */
export function Inside({ desk, act }: InsideProps) {
  const hosts = desk.inside.filter((v) => v.role === 'host');
  const people = desk.inside.filter((v) => v.role !== 'host');
  return (
    <Column
      title={say.insideTitle}
      count={desk.inside.length}
      action={
        <MoreMenu words={say.forAll} label={say.forAllInside} items={moreWithAll(desk, act)} />
      }
    >
      {desk.allShare && <p className="mb-1 text-sm text-soft">{say.everybodyMayShareInThis}</p>}
      {desk.inside.length === 0 && <p className="text-soft">{say.nobodyIsInTheRoom}</p>}
      <ul>
        {hosts.map((v) => (
          <Who key={v.id} visitor={v}>
            {null}
          </Who>
        ))}
        {people.map((v) => (
          <Who key={v.id} visitor={v} below={<WhoIsThis visitor={v} desk={desk} act={act} />}>
            <PersonActions visitor={v} desk={desk} act={act} />
          </Who>
        ))}
      </ul>
      <Coming people={desk.coming} />
    </Column>
  );
}
