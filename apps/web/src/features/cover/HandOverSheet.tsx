import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { useHandOver, type HostedThings } from './useHandOver.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type HostedClass = HostedThings['classes'][number];

const AS = {
  host: 'hosts',
  'co-teacher': 'co-teaches',
  links: say.notTheClassPeriodItself,
} as const;

/** What of a class period goes over: `hosts, 1 link, 2 groups`. */
const inWords = ({ as, links, groups }: HostedClass): string =>
  [
    AS[as],
    ...(links > 0 ? [many(say.links, links)] : []),
    ...(groups > 0 ? [many(say.groups, groups)] : []),
  ].join(', ');

interface SheetProps {
  personId: number;
  hosted: HostedThings;
  onClose: () => void;
}

function Sheet({ personId, hosted, onClose }: SheetProps) {
  const handing = useHandOver(personId, hosted, onClose);
  const choices = hosted.staff.map((one) => ({ value: String(one.id), label: one.name }));
  if (hosted.classes.length === 0) return <p className="text-soft">{say.thereIsNothingThatThey}</p>;
  return (
    <form
      noValidate
      aria-label={say.handOver}
      className="max-w-3xl rounded-big border border-line bg-sheet p-5"
      onSubmit={handing.submit}
    >
      <p className="text-lg leading-sentence">
        <Said
          as={say.takesItOver}
          takesAll={
            <ChoicePart
              label={say.whoTakesAllOfIt}
              value={String(handing.toId)}
              choices={choices}
              onChange={(id) => handing.change({ toId: Number(id) })}
            />
          }
        />
      </p>
      <ul className="mt-2">
        {hosted.classes.map((one) => (
          <li
            key={one.id}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2"
          >
            <span className="min-w-0 flex-1 basis-60">
              <b>{one.title}</b> <span className="text-soft">{inWords(one)}</span>
            </span>
            {one.isOnlyHost && <Chip tone="careful">{say.nobodyElseHostsIt}</Chip>}
            <ChoicePart
              label={fill(say.whoTakesOver, { title: one.title })}
              marked={false}
              value={String(handing.toOf(one.id))}
              choices={choices}
              onChange={(id) => handing.giveApart(one.id, Number(id))}
            />
          </li>
        ))}
      </ul>
      {handing.problem && (
        <FieldError>{handing.problem.errors?.[0]?.message ?? handing.problem.title}</FieldError>
      )}
      <p className="mt-3 text-soft">{say.linksAndSessionsStay}</p>
      <p className="mt-3 flex flex-wrap gap-3">
        <Button type="submit" kind="act" disabled={!handing.isWhole || handing.isSending}>
          {say.handItAllOver}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
      </p>
    </form>
  );
}

/** All that somebody hosts goes to others, in one sheet. */
export function HandOverSheet({ personId, onClose }: Omit<SheetProps, 'hosted'>) {
  const asked = api.useHostedQuery({ params: { personId } });
  return (
    <Loaded asked={asked} isPart lines={3}>
      {(hosted) => <Sheet key={hosted.version} {...{ personId, hosted, onClose }} />}
    </Loaded>
  );
}
