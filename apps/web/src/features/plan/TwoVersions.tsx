import { dateInWords, describePlan, type SchoolCalendar } from '@glen/core';
import { Theirs } from '../../ui/Theirs.js';
import { planOfDraft, type SheetDraft } from './sheetDraft.js';
import * as say from './words.js';

function whenInWords(d: SheetDraft, school: SchoolCalendar): string {
  try {
    return describePlan(planOfDraft(d), school);
  } catch {
    return dateInWords(d.first);
  }
}

const LINES: { name: string; of: (d: SheetDraft, school: SchoolCalendar) => string }[] = [
  { name: say.title, of: (d) => d.title },
  { name: say.when, of: whenInWords },
  {
    name: say.datesChangedSingly,
    of: (d) => (d.changes.length === 0 ? say.none : String(d.changes.length)),
  },
  { name: say.isItScheduled, of: (d) => (d.draft ? say.noADraft : say.yes) },
  { name: say.description, of: (d) => d.description || say.none },
];

/** Somebody else saved first: both versions, side by side, and nothing lost. */
export function TwoVersions({
  mine,
  theirs,
  school,
  onKeepMine,
  onTakeTheirs,
}: {
  mine: SheetDraft;
  theirs: SheetDraft;
  school: SchoolCalendar;
  onKeepMine: () => void;
  onTakeTheirs: () => void;
}) {
  return (
    <Theirs saveOver={onKeepMine} takeTheirs={onTakeTheirs}>
      <table className="mt-2 w-full text-left text-md">
        <thead>
          <tr>
            <th scope="col" />
            <th scope="col">{say.yours}</th>
            <th scope="col">{say.asItStandsNow}</th>
          </tr>
        </thead>
        <tbody>
          {LINES.map(({ name, of }) => (
            <tr key={name} className={of(mine, school) === of(theirs, school) ? '' : 'font-bold'}>
              <th scope="row" className="pr-4 font-normal">
                {name}
              </th>
              <td className="pr-4 break-words">{of(mine, school)}</td>
              <td className="break-words">{of(theirs, school)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Theirs>
  );
}
