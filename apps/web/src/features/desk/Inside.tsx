import type { DeskVisitor } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { MoreMenu, type MoreItem } from '../../ui/MoreMenu.js';
import { Column, Who } from './Column.js';
import { WhoIsThis } from './WhoIsThis.js';
import { calledAt, type Desk, type DeskActions } from './useDesk.js';

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
    ? { words: 'Share no longer', onSelect: () => act.letShare(id, false) }
    : { words: 'Let share', onSelect: () => act.letShare(id, true) };
  const mute = { words: 'Mute', onSelect: () => act.mute(id) };
  if (account === 'phone') return [mute];
  return sharesAnyhow(desk, visitor) && !mayShare ? [mute] : [mute, share];
}

/** What is done with everybody in the room. */
function moreWithAll(desk: Desk, act: DeskActions): MoreItem[] {
  if (desk.pastedRoom || desk.inside.length === 0) return [];
  const mute = { words: 'Mute everybody', onSelect: act.muteAll };
  const chime = {
    words: desk.chimes ? 'Announce nobody who comes or goes' : 'Announce who comes and goes',
    onSelect: () => act.setChime(!desk.chimes),
  };
  if (desk.rules.sharing === 'everyone' && !desk.allShare) return [mute, chime];
  const share = desk.allShare
    ? { words: 'Share by the rules again', onSelect: () => act.letAllShare(false) }
    : { words: 'Let everybody share', onSelect: () => act.letAllShare(true) };
  return [mute, share, chime];
}

/** With somebody in a room that Glen cannot reach into: the door alone is Glen's. */
const AtOurDoor = ({ visitor: { id, name }, act }: Omit<PersonProps, 'desk'>) => (
  <Button
    kind="danger-link"
    onClick={() => act.putOut(id)}
    aria-label={`Keep ${name} from coming back in`}
  >
    Keep from coming back in
  </Button>
);

/** What a host may do with somebody in the room. */
function PersonActions({ visitor, desk, act }: PersonProps) {
  const { id, name, role, mayPresent, account } = visitor;
  if (desk.pastedRoom) return <AtOurDoor visitor={visitor} act={act} />;
  return (
    <>
      {role === 'participant' && account !== 'phone' && (
        <Button onClick={() => act.letPresent(id, true)} aria-label={`Let ${name} present`}>
          Let present
        </Button>
      )}
      {mayPresent && (
        <Button onClick={() => act.letPresent(id, false)} aria-label={`${name} presents no longer`}>
          No longer
        </Button>
      )}
      <MoreMenu words="More" label={`More with ${name}`} items={moreWith(visitor, desk, act)} />
      <Button kind="danger-link" onClick={() => act.putOut(id)} aria-label={`Put ${name} out`}>
        Put out
      </Button>
    </>
  );
}

function Coming({ people }: { people: DeskVisitor[] }) {
  if (people.length === 0) return null;
  return (
    <>
      <h3 className="mt-5 text-sm text-soft">Let in, on their way</h3>
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
      title="Inside"
      count={desk.inside.length}
      action={<MoreMenu words="For all" label="For all inside" items={moreWithAll(desk, act)} />}
    >
      {desk.allShare && (
        <p className="mb-1 text-sm text-soft">Everybody may share in this session.</p>
      )}
      {desk.inside.length === 0 && <p className="text-soft">Nobody is in the room.</p>}
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
