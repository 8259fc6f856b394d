import { useNavigate, useParams, useSearchParams } from 'react-router';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { WritingContext } from '../../ui/writing.js';
import type { Draft } from './firstDraft.js';
import { MoveInFrame, type Step } from './MoveInFrame.js';
import { SchoolStep } from './SchoolStep.js';
import { YearStep } from './YearStep.js';
import { YouStep } from './YouStep.js';
import { useMoveInDraft, type MovingIn } from './useMoveInDraft.js';
import { yearOfDraft } from './yearOfDraft.js';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

type Page = 1 | 2 | 3;

const yearInWords = ({ year }: Draft): string => {
  const terms = year.terms.map((t) => t.name).join(', ');
  const { length } = year.holidays;
  if (length === 0) return terms;
  return `${terms} · ${many(say.holidays, length)}`;
};

/** The four marks above the card; pages that are done can be opened again. */
function stepsFor(draft: Draft, page: Page, open: (page: Page) => void): Step[] {
  const words = [draft.school.name, yearInWords(draft)];
  const what = draft.school.alone ? say.whatYouTeach : say.theSchool;
  const titles = [what, say.theYear, say.you, say.yourFirstClassPeriod];
  return titles.map((title, i) => {
    const at = i + 1;
    if (at < page)
      return { words: words[i] || title, state: 'done', onOpen: () => open(at as Page) };
    return { words: title, state: at === page ? 'now' : 'ahead' };
  });
}

/** Somebody else types here too: theirs or mine. */
const TwoDrafts = ({ moving }: { moving: MovingIn }) =>
  moving.theirs ? (
    <section
      role="alert"
      className="mb-5 rounded-small border border-gorse bg-gorse-tint p-4 text-gorse-deep"
    >
      <h2 className="text-base">{say.somebodyElseIsMoving}</h2>
      <div className="mt-3 flex gap-3">
        <Button onClick={moving.keepMine}>{say.keepMine}</Button>
        <Button onClick={moving.takeTheirs}>{say.takeWhatIsThere}</Button>
      </div>
    </section>
  ) : null;

interface PagesProps {
  token: string;
  stage: Answer<'moveIn'>;
}

function Pages({ token, stage }: PagesProps) {
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const moving = useMoveInDraft(token, stage);
  const { draft } = moving;
  const found = yearOfDraft(draft);
  const open = (page: Page): void => {
    void moving.keepNow();
    setSearch({ page: String(page) });
  };
  const done = (): void => {
    restartLive();
    void navigate('/begin', { replace: true });
  };
  const wanted = Math.min(3, Math.max(1, Number(search.get('page')) || 1)) as Page;
  // A page rests on those before it.
  const page = draft.school.name.trim() === '' ? 1 : wanted;
  const { dateOrder, hours } = draft.school;
  return (
    <WritingContext value={{ dateOrder, hours }}>
      <MoveInFrame tab={say.movingIn} steps={stepsFor(draft, page, open)}>
        <TwoDrafts moving={moving} />
        {page === 1 && <SchoolStep token={token} moving={moving} onNext={() => open(2)} />}
        {(page === 2 || (page === 3 && 'wrong' in found)) && (
          <YearStep token={token} moving={moving} onNext={() => open(3)} />
        )}
        {page === 3 && 'calendar' in found && (
          <YouStep token={token} moving={moving} calendar={found.calendar} onDone={done} />
        )}
      </MoveInFrame>
    </WritingContext>
  );
}

/** Moving in, by the one-time address that was told as Glen started. */
export default function MoveInPage() {
  const token = useParams().token ?? '';
  const asked = api.useMoveInQuery({ params: { token } });
  return (
    <Loaded asked={asked} isPart>
      {(stage) => <Pages token={token} stage={stage} />}
    </Loaded>
  );
}
