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
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const OTHERS = [
  { value: 'all', label: say.thoseThatAreForAll },
  { value: 'others', label: say.thoseForSomeOfIt },
];

function Sentence({ classes, chosen, hasOthers, withOthers, setWithOthers, go }: Elsewhere) {
  return (
    <p className="text-lg leading-sentence">
      <Said
        as={say.theLinksOf}
        classPeriod={
          <ChoicePart
            label={say.classPeriod}
            value={String(chosen.id)}
            choices={classes.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
            onChange={(id) => go({ class: id })}
          />
        }
        hasOthers={
          hasOthers && (
            <>
              ,{' '}
              <ChoicePart
                label={say.whichLinks}
                marked={withOthers}
                value={withOthers ? 'others' : 'all'}
                choices={OTHERS}
                onChange={(which) => setWithOthers(which === 'others')}
              />
            </>
          )
        }
      />
    </p>
  );
}

const STAYS: Note = {
  severity: 'inform',
  title: say.whatIsTakenAlongStays,
  text: say.whereGlenPostsItself,
};

const SOME_READ: Note = {
  severity: 'careful',
  title: say.someLinksAreForSome,
  text: say.whoeverIsGivenThePage,
};

function Taking({ known, zone }: { known: Known; zone: string }) {
  const elsewhere = useElsewhere(known);
  const { shelf, chosen, withOthers } = elsewhere;
  return (
    <Screen margin={<Margin notes={withOthers ? [SOME_READ, STAYS] : [STAYS]} />}>
      <div className="print:hidden">
        <ScreenTitle tab={say.takeItElsewhere} />
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
    <ScreenTitle tab={say.takeItElsewhere} />
    <Empty title={say.nothingToTakeAlongYet}>{say.onceYouTeachAClass}</Empty>
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
