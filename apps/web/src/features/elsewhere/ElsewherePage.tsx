import type { Note } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ChoicePart } from '../../ui/choices.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { FeedPart } from './FeedPart.js';
import { CartridgePart, PagesPart } from './PagesPart.js';
import { PicturesPart } from './PicturesPart.js';
import { useElsewhere, type Elsewhere, type Known } from './useElsewhere.js';

const OTHERS = [
  { value: 'all', label: 'those that are for all of it' },
  { value: 'others', label: 'those for some of it too' },
];

function Sentence({ classes, chosen, hasOthers, withOthers, setWithOthers, go }: Elsewhere) {
  return (
    <p className="text-lg leading-sentence">
      The links of{' '}
      <ChoicePart
        label="Class period"
        value={String(chosen.id)}
        choices={classes.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
        onChange={(id) => go({ class: id })}
      />
      {hasOthers && (
        <>
          ,{' '}
          <ChoicePart
            label="Which links"
            marked={withOthers}
            value={withOthers ? 'others' : 'all'}
            choices={OTHERS}
            onChange={(which) => setWithOthers(which === 'others')}
          />
        </>
      )}
      .
    </p>
  );
}

const STAYS: Note = {
  severity: 'inform',
  title: 'What is taken along stays as it is',
  text: 'Where Glen posts itself, a replaced link is put right. What you put elsewhere by hand you put right by hand: note it as a place that you fill yourself, and Glen tells you.',
};

const SOME_READ: Note = {
  severity: 'careful',
  title: 'Some links are for some alone',
  text: 'Whoever is given the page or the cartridge reads all of them.',
};

function Taking({ known, zone }: { known: Known; zone: string }) {
  const elsewhere = useElsewhere(known);
  const { shelf, chosen, withOthers } = elsewhere;
  return (
    <Screen margin={<Margin notes={withOthers ? [SOME_READ, STAYS] : [STAYS]} />}>
      <div className="print:hidden">
        <ScreenTitle tab="Take it elsewhere" />
        <Sentence {...elsewhere} />
        <PagesPart shelf={shelf} />
        <CartridgePart shelf={shelf} />
      </div>
      <PicturesPart {...elsewhere} />
      <div className="print:hidden">
        <FeedPart classId={chosen.id} zone={zone} />
      </div>
    </Screen>
  );
}

const NoLinks = () => (
  <Screen>
    <ScreenTitle tab="Take it elsewhere" />
    <Empty title="Nothing to take along yet">
      Once you teach a class period, its links can be taken along from here.
    </Empty>
  </Screen>
);

/** One's links in forms that other programs, walls and slides take. */
export default function ElsewherePage({ me }: { me: Me }) {
  const asked = api.useLinksQuery();
  const { data: listed } = api.useClassesQuery();
  const { name: school, zone } = me.school;
  return (
    <Loaded asked={asked}>
      {({ links }) => {
        const classes = (listed?.classes ?? []).filter((c) =>
          links.some((link) => link.classId === c.id && link.state === 'live'),
        );
        if (classes.length === 0) return listed ? <NoLinks /> : null;
        return <Taking known={{ classes, links, school }} zone={zone} />;
      }}
    </Loaded>
  );
}
