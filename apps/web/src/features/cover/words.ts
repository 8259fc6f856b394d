/** What cover says, sentence by sentence; pages ask for it by name. */

// CoverPage
export const youCoverFor = '<strong>You cover</strong> for {name} {coverDays}';
export const coversForDays = '{covering} <strong>covers</strong> for {name} {coverDays}';
export const saidName = 'said {name}';
export const now = 'now';
export const endItFor = 'End the cover: {covering} for {absent} {coverDays}';
export const endTheCover = 'End the cover';
export const forGood = 'For good';
export const youLeaveOrTeachSomething =
  'You leave, or teach something else: what you host goes to others.';
export const handOverWhatIHostDots = 'Hand over what I host…';
export const hostWhereverTheyAre = 'Host wherever they are';
export const whoeverCoversOpensLets =
  'Whoever covers opens, lets in and closes at every door of theirs, posts and changes as they would, and no longer than you say. Links stay as they are.';
export const onAndToCome = 'On and to come';
export const nobodyCoversForAnybody = 'Nobody covers for anybody.';

// CoverSentence
export const iAmAway = 'I am away';
export const whoIsAway = 'Who is away';
export const awayIsAway = '{away} is away';
export const haveThemCovered = 'Have them covered';
export const haveCoverAllTheSame = 'Have {name} cover all the same';
export const haveCover = 'Have {name} cover';
export const theFirstDay = 'The first day';
export const theLastDay = 'The last day';
export const whoCovers = 'Who covers';
export const fromToAndCovers = 'from {firstDay} to {lastDay}, and {covers} covers.';

// HandOverSheet
export const notTheClassPeriodItself = 'not the class period itself';
export const thereIsNothingThatThey = 'There is nothing that they host.';
export const handOver = 'Hand over';
export const whoTakesAllOfIt = 'Who takes all of it over';
export const takesItOver = '{takesAll} takes it over, but for what you give to somebody else:';
export const nobodyElseHostsIt = 'nobody else hosts it';
export const whoTakesOver = 'Who takes over {title}';
export const linksAndSessionsStay =
  'Links and sessions stay as they are; whoever takes over is told once.';
export const handItAllOver = 'Hand it all over';
export const leaveIt = 'Leave it';

// OnBehalf
export const words = {
  schedules: 'schedule',
  posts: 'post',
  prepares: 'prepare links and entry rules',
};
export const whatUntilDate = '{what}, until {date}';
export const youFor = 'You, for {teacher}';
export const actFor = 'Act for {teacher}';
export const noLonger = 'No longer {helper}';
export const noLongerFor = 'No longer for {teacher}';
export const noLongerShort = 'No longer';
export const schedulePostAndPrepareLinks = 'schedule, post, and prepare links and entry rules';
export const scheduleAndPost = 'schedule and post';
export const schedule = 'schedule';
export const post = 'post';
export const whoActsForMe = 'Who acts for me';
export const whatTheyMayDo = 'What they may do';
export const theLastDayTheyMay = 'The last day they may';
export const furtherNotice = 'further notice';
export const mayForMeUntil = '{actsMe} may {what} for me until {lastDay}.';
export const letThemActForMe = 'Let them act for me';
export const onBehalf = 'On behalf';
export const aColleagueOrTheOffice =
  'A colleague or the office prepares; you teach, and you are the host. Both names stand under what they do.';

// ToCover
export const theyHostAnyway = '{theirs} they host anyway';
export const atTheSameTime = '{clashing} at the same time as something of theirs';
export const nothingIsPlannedOnThese = 'Nothing is planned on these days.';
export const whatIsToBeCovered = 'What is to be covered';
export const theirsAnyway = 'theirs anyway';
export const hasOther = 'has {other}';

// useCover
export const coversFor = '{covering} covers for {absent}.';

// useHandOver
export const allOfItIsHanded = 'All of it is handed over.';
export const sessions = {
  one: '1 session',
  other: '{n} sessions',
};
export const links = {
  one: '1 link',
  other: '{n} links',
};
export const groups = {
  one: '1 group',
  other: '{n} groups',
};
