import { Suspense, lazy, useEffect, type ReactNode } from 'react';
import { BrowserRouter, Link, Route, Routes, useLocation } from 'react-router';
import { areStaff } from '@glen/core/light';
import { NOT_MOVED_IN, type Me } from '@glen/contract';
import { SignInPage } from '../features/accounts/SignIn.js';
import { TypeCodePage } from '../features/door/TypeCode.js';
import { Frame } from '../features/frame/Frame.js';
import { Screen } from '../ui/Margin.js';
import { NotMovedIn } from '../features/moveIn/NotMovedIn.js';
import { TodayPage } from '../features/myDay/Today.js';
import { Empty, Loading, Trouble } from '../ui/States.js';
import { WritingContext } from '../ui/writing.js';
import { api, problemOf } from './api.js';
import * as say from './words.js';

const PlanPage = lazy(() => import('./PlanWithFeeds.js'));
const ClassesPage = lazy(() =>
  import('../features/classes/Classes.js').then((m) => ({ default: m.ClassesPage })),
);
const ClassPage = lazy(() =>
  import('../features/classes/ClassPage.js').then((m) => ({ default: m.ClassPage })),
);
const LinkSheetPage = lazy(() => import('../features/link/LinkSheet.js'));
const AllLinksPage = lazy(() => import('../features/link/AllLinks.js'));
const PostsPage = lazy(() => import('../features/post/PostsPage.js'));
const ReachPage = lazy(() => import('../features/reach/ReachPage.js'));
const ElsewherePage = lazy(() => import('../features/elsewhere/ElsewherePage.js'));
const StudentSeesPage = lazy(() => import('../features/reach/StudentSeesPage.js'));
const WordsPage = lazy(() => import('../features/words/WordsPage.js'));
const StopLettersPage = lazy(() => import('../features/words/StopLettersPage.js'));
const LatelyPage = lazy(() => import('../features/lately/LatelyPage.js'));
const PeoplePage = lazy(() => import('../features/people/PeoplePage.js'));
const PersonPage = lazy(() => import('../features/people/PersonPage.js'));
const HappenedPage = lazy(() => import('../features/people/HappenedPage.js'));
const AccountPage = lazy(() => import('../features/accounts/AccountPage.js'));
const AboutSchoolPage = lazy(() => import('../features/school/AboutSchoolPage.js'));
const SignInWaysPage = lazy(() => import('../features/accounts/SignInWaysPage.js'));
const SchoolPage = lazy(() => import('../features/school/SchoolPage.js'));
const SchoolDefaults = lazy(() =>
  import('../features/entry/DefaultsPage.js').then((m) => ({ default: m.SchoolDefaults })),
);
const OwnDefaults = lazy(() =>
  import('../features/entry/DefaultsPage.js').then((m) => ({ default: m.OwnDefaults })),
);
const SmallDeskPage = lazy(() => import('../features/desk/SmallDesk.js'));
const MyDayPage = lazy(() => import('../features/myDay/MyDay.js'));
const CoverPage = lazy(() => import('../features/cover/CoverPage.js'));
const RegisterPage = lazy(() => import('../features/register/RegisterPage.js'));
const WeekPage = lazy(() => import('../features/register/WeekPage.js'));
const TermPage = lazy(() => import('../features/register/TermPage.js'));
const MyTermPage = lazy(() => import('../features/register/MyTermPage.js'));
const ClassTermPage = lazy(() => import('../features/register/ClassTermPage.js'));
const RegisterWaysPage = lazy(() => import('../features/register/RegisterWaysPage.js'));
const DeskPage = lazy(() => import('../features/desk/Desk.js'));
const HowToPage = lazy(() => import('../features/door/HowToPage.js'));
const CheckInPage = lazy(() => import('../features/checkIn/CheckInPage.js'));
const SignUpPage = lazy(() => import('../features/slot/SignUpPage.js'));
const ChoosePage = lazy(() => import('../features/poll/ChoosePage.js'));
const OwnEveningPage = lazy(() => import('../features/appointment/OwnEveningPage.js'));
const AppointmentsPage = lazy(() => import('../features/appointment/AppointmentsPage.js'));
const AppointmentEveningPage = lazy(
  () => import('../features/appointment/AppointmentEveningPage.js'),
);
const ProgrammePage = lazy(() => import('../features/evening/ProgrammePage.js'));
const FreePage = lazy(() => import('../features/free/FreePage.js'));
const SlotsPage = lazy(() => import('../features/slot/SlotsPage.js'));
const TypeCheckInPage = lazy(() => import('../features/checkIn/TypeCheckInPage.js'));
const DoorPage = lazy(() => import('../features/door/DoorPage.js'));
const MoveInPage = lazy(() => import('../features/moveIn/MoveInPage.js'));
const BeginPage = lazy(() => import('../features/moveIn/BeginPage.js'));
const GuestPage = lazy(() => import('../features/accounts/GuestPage.js'));
const PasswordPage = lazy(() => import('../features/accounts/PasswordPage.js'));

const isStaff = (me: Me): boolean =>
  me.account?.kind === 'school' && me.person !== null && areStaff(me.person.roles);

function Nowhere() {
  return (
    <Screen>
      <Empty title={say.thereIsNothingAtThis}>
        <Link className="text-bracken-deep underline" to="/today">
          {say.backToToday}
        </Link>
      </Empty>
    </Screen>
  );
}

function TeacherPages({ me }: { me: Me }) {
  return (
    <Routes>
      <Route element={<Frame key={me.account!.id} me={me} />}>
        <Route index element={null} />
        <Route path="today" element={<TodayPage me={me} />} />
        <Route path="plan" element={<PlanPage me={me} />} />
        <Route path="plan/new" element={<PlanPage me={me} />} />
        <Route path="plan/:seriesId" element={<PlanPage me={me} />} />
        <Route path="classes" element={<ClassesPage me={me} />} />
        <Route path="classes/links" element={<LinkSheetPage />} />
        <Route path="classes/:classId" element={<ClassPage me={me} />} />
        <Route path="classes/:classId/:tab" element={<ClassPage me={me} />} />
        <Route path="classes/:classId/:tab/:linkId" element={<ClassPage me={me} />} />
        <Route path="links" element={<AllLinksPage me={me} />} />
        <Route path="posts" element={<PostsPage me={me} />} />
        <Route path="posts/reach" element={<ReachPage />} />
        <Route path="posts/elsewhere" element={<ElsewherePage me={me} />} />
        <Route path="posts/student-sees" element={<StudentSeesPage />} />
        <Route path="school" element={<SchoolPage me={me} />} />
        <Route path="school/about" element={<AboutSchoolPage />} />
        <Route path="school/sign-in" element={<SignInWaysPage />} />
        <Route path="school/people" element={<PeoplePage />} />
        <Route path="school/happened" element={<HappenedPage me={me} />} />
        <Route path="school/people/:personId" element={<PersonPage me={me} />} />
        <Route path="school/cover" element={<CoverPage me={me} />} />
        <Route path="lately" element={<LatelyPage me={me} />} />
        <Route path="word" element={<WordsPage me={me} />} />
        <Route path="account" element={<AccountPage me={me} />} />
        <Route path="school/entry" element={<SchoolDefaults me={me} />} />
        <Route path="school/my-entry" element={<OwnDefaults me={me} />} />
        <Route path="registers" element={<WeekPage />} />
        <Route path="registers/term/:classId" element={<ClassTermPage />} />
        <Route path="term/:personId" element={<TermPage me={me} />} />
        <Route path="school/registers" element={<RegisterWaysPage />} />
        <Route path="register/:seriesId/:key" element={<RegisterPage me={me} />} />
        <Route path="programme/:seriesId/:key" element={<ProgrammePage me={me} />} />
        <Route path="free" element={<FreePage me={me} />} />
        <Route path="appointments" element={<AppointmentsPage zone={me.school.zone} />} />
        <Route path="appointments/:eveningId" element={<AppointmentEveningPage />} />
        <Route path="slots/:seriesId" element={<SlotsPage />} />
        <Route path="desk/:linkId" element={<DeskPage me={me} />} />
        <Route path="*" element={<Nowhere />} />
      </Route>
    </Routes>
  );
}

/** Waits for a page that is fetched by itself. */
const Fetched = ({ children }: { children: ReactNode }) => (
  <Suspense
    fallback={
      <main className="mx-auto max-w-md p-6">
        <Loading />
      </main>
    }
  >
    {children}
  </Suspense>
);

const DoorPages = ({ me }: { me: Me }) => (
  <Fetched>
    <Routes>
      <Route path="/door" element={<TypeCodePage />} />
      <Route path="/door/:code" element={<DoorPage me={me} />} />
      <Route path="/door/:code/how" element={<HowToPage />} />
      <Route path="/watch/:code" element={<DoorPage me={me} />} />
      <Route path="/check-in" element={<TypeCheckInPage />} />
      <Route path="/check-in/:token" element={<CheckInPage me={me} />} />
    </Routes>
  </Fetched>
);

const SignUpPages = ({ me }: { me: Me }) => (
  <Fetched>
    <Routes>
      <Route path="/sign-up/:code" element={<SignUpPage me={me} />} />
    </Routes>
  </Fetched>
);

/** Pages of those who do not teach, beside their day. */
const LEARNERS: Partial<Record<string, typeof MyDayPage>> = {
  '/account': AccountPage,
  '/word': WordsPage,
  '/my-term': MyTermPage,
};

/** Pages of whoever is signed in. */
function OwnPages({ me }: { me: Me }) {
  const { pathname } = useLocation();
  if (!isStaff(me)) {
    const Page = LEARNERS[pathname] ?? MyDayPage;
    return (
      <Fetched>
        <Page me={me} />
      </Fetched>
    );
  }
  const small = pathname.match(/^\/desk\/(\d+)\/small$/);
  if (small)
    return (
      <Fetched>
        <SmallDeskPage me={me} linkId={Number(small[1])} />
      </Fetched>
    );
  if (pathname === '/begin')
    return (
      <Fetched>
        <BeginPage me={me} />
      </Fetched>
    );
  return <TeacherPages me={me} />;
}

/** Colours by somebody's own wish; without one, as their machine has it. */
function useTheme(theme: Me['theme']): void {
  useEffect(() => {
    if (theme) document.documentElement.dataset.theme = theme;
    else delete document.documentElement.dataset.theme;
  }, [theme]);
}

function Pages() {
  const { data: me, error, refetch } = api.useMeQuery();
  const { pathname } = useLocation();
  const problem = problemOf(error);
  useTheme(me?.theme ?? null);
  if (!me && problem?.type === NOT_MOVED_IN) return <NotMovedIn />;
  if (!me)
    return (
      <main className="mx-auto max-w-md p-6">
        {error ? <Trouble problem={problem} retry={() => void refetch()} /> : <Loading />}
      </main>
    );
  if (/^\/(door|watch|check-in)(\/|$)/.test(pathname)) return <DoorPages me={me} />;
  if (!me.account) return <SignInPage me={me} />;
  if (/^\/sign-up\/[^/]+$/.test(pathname)) return <SignUpPages me={me} />;
  return (
    <WritingContext value={me.writes}>
      <OwnPages me={me} />
    </WritingContext>
  );
}

/** Addresses that work before anybody is signed in, or has moved in at all. */
export const App = () => (
  <BrowserRouter>
    <Routes>
      <Route
        path="/move-in/:token"
        element={
          <Fetched>
            <MoveInPage />
          </Fetched>
        }
      />
      <Route
        path="/password/:token"
        element={
          <Fetched>
            <PasswordPage />
          </Fetched>
        }
      />
      <Route
        path="/guest/:token"
        element={
          <Fetched>
            <GuestPage />
          </Fetched>
        }
      />
      <Route
        path="/appointments/for/:token"
        element={
          <Fetched>
            <OwnEveningPage />
          </Fetched>
        }
      />
      <Route
        path="/choose/:token"
        element={
          <Fetched>
            <ChoosePage />
          </Fetched>
        }
      />
      <Route
        path="/letters/stop/:token"
        element={
          <Fetched>
            <StopLettersPage />
          </Fetched>
        }
      />
      <Route path="*" element={<Pages />} />
    </Routes>
  </BrowserRouter>
);
