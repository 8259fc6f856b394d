/** What post says, sentence by sentence; pages ask for it by name. */

// ByHand
export const rich = 'Rich';
export const plainText = 'Plain text';
export const markdown = 'Markdown';
export const notedItIsTakenDown = 'Noted: it is taken down.';
export const notedItStandsThere = 'Noted: it stands there.';
export const notDoneAfterAll = 'Not done after all';
export const itIsTakenDown = 'It is taken down';
export const doneItStandsThere = 'Done, it stands there';
export const aLetterIsSavedOpen = 'A letter is saved: open it with your mail program, and send it.';
export const saveItAsALetter = 'Save it as a letter';
export const copiedRichAndPlain = 'Copied, rich and plain.';
export const copied = 'Copied.';
export const whatToPaste = 'What to paste';
export const takeThisDownThere = 'Take this down there; its time is over.';
export const form = 'Form';
export const copyTheText = 'Copy the text';

// Composer
export const somebodyChangedThisPostWhile =
  'Somebody changed this post while you were at it. It now says:';
export const linkWords = 'Link words: {linkWords}';
export const saveAgainToPutYours = 'Save again to put yours over it, or leave it.';
export const words = 'Words';
export const linkWordsShort = 'Link words';
export const theyAreTheLinkBlank = 'They are the link. Blank shows the bare address.';
export const saveTheChange = 'Save the change';
export const leaveIt = 'Leave it';
/** The field in braces is filled as the post goes out. */
export const codeByItself = '(code: {entryCode})';
export const changeAPost = 'Change a post';
export const newPost2 = 'New post';
export const changeThePost = 'Change the post';

// DeliveryLine
export const itIsBeingTakenDown = 'It is being taken down: {where}.';
export const tryAgain = 'Try again';
export const putItBack = 'Put it back';
export const takeDownHere = 'Take down here';
export const sinceDateTime = 'since {date} {time}';
export const notReachedTheyFindIt =
  'Not reached: {named}. {why} They find it under “Word for you”; mend their address at People, or tell them another way.';
export const hideWhatToPaste = 'Hide what to paste';
export const showWhatToPaste = 'Show what to paste';
export const glenTriesAgainByItself = 'Glen tries again by itself.';

// draft
export const joinPeriod = 'Join {class}, period {period}';
export const keepTheDraft = 'Keep the draft';
export const postForSessionsNow = 'Post for {dates} sessions now';
export const postItNow = {
  one: 'Post it now',
  other: 'Post it now to {n} places',
};
export const thatTimeIsPast = {
  one: 'That time is past: post it now?',
  other: 'That time is past: post it now to {n} places?',
};
export const queueFor = {
  one: 'Queue for {date} {time}',
  other: 'Queue for {date} {time} to {n} places',
};
export const noSessionAheadToPost = 'No session ahead to post for';
export const queuePosts = {
  one: 'Queue 1 post',
  other: 'Queue {n} posts',
};
export const posted = 'Posted.';
export const theDraftIsKept = 'The draft is kept.';
export const postQueued = 'Post queued.';

// Headings
export const underTitle = 'Under “{title}”';
export const underInTheirOrder = 'Under “{title}” in their order';
export const standsElsewhereUnderItsHeading = '{name} stands elsewhere under its heading.';
export const inOrderOnTheCourse = 'In order on the course page';

// LinkAndReaders
export const linkAt = 'Link at {classTitle}';
export const itsOwnLink = 'its own link';
export const theLinkLabel = 'the link “{label}”';
export const withLink = 'with {link}';
export const forReaders = 'for {readers}';
export const shownTo = 'shown to {readers}';
export const whoSeesItAt = 'Who sees it at {classTitle}';
export const theWholeClass = 'the whole class';
export const thoseTheLinkIsFor = 'those the link is for';
export const onlyName = 'only {name}';

// LookAgain
export const allThatGlenPutThere = 'All that Glen put there stands there.';
export const thingsAreNotThereAnyMore = {
  one: 'One thing is not there any more.',
  other: '{n} things are not there any more.',
};
export const thatDidNotWork = 'That did not work.';
export const lookWhetherItAllStill = 'Look whether it all still stands there';

// ManyPosts
export const oneOfThemDid = 'One of them did not work.';
export const postsAreBeingTakenDown = {
  one: 'One post is being taken down.',
  other: '{n} posts are being taken down.',
};
export const withdrawN = 'Withdraw {n}';
export const tryAgainN = 'Try {n} again';
export const releaseN = 'Release {n}';
export const withTheChosen = 'With the chosen';
export const chosen = {
  one: '1 chosen',
  other: '{n} chosen',
};
export const chooseNone = 'Choose none';

// OnThePage
export const afterTitle = 'after “{title}”';
export const aSectionOfItsOwn = 'a section of its own';
export const anotherSectionOfItsOwn = 'another section of its own';
export const glenKeepsItsHeadingRight = 'Glen keeps its heading right';
export const section = 'Section';
export const glensOwnWithUnderIt = 'Glen’s own, with {itemsCount} under it';
export const nextLesson = 'Next lesson: {date}';
export const asWhat = 'As what';
export const aLinkWithTheWords = 'a link with the words below it';
export const wordsWithTheLink = 'words with the link in them';
export const opens = 'Opens';
export const opensANewTab = 'opens a new tab';
export const opensInPlace = 'opens in place';
export const thatOpens = 'that {opens}';
export const whereOnThePage = 'Where on the page';
export const onThePageItStands = 'On the page it stands {whereOn}';
export const itsHeading = 'Its heading';
export const belowItAList = 'Below it, a list of what is there for everyone after lessons';
export const whereInTheSection = 'Where in the section';
export const inSectionPartAtAsWhatPart = 'In {sectionPart}{at}, as {asWhatPart}';
export const itsSectionsCannotBeShown =
  '{trouble} Its sections cannot be shown just now; one of its own can be made all the same.';

// placeKinds
export const theClassStream = 'the class stream';
export const aPost = 'a post';
export const theCoursePage = 'the course page';
export const anItemOfASection = 'an item of a section';
export const theCourseCalendar = 'the course calendar';
export const anEntryForEachSession = 'an entry for each session';
export const mailToEverybody = 'mail to everybody';
export const aLetterToEach = 'a letter to each';
export const aPlaceFilledByHand = 'a place filled by hand';
export const glenAsksYouThen = 'Glen asks you then';

// PlaceRow
export const nameOfThePlace = 'Name of the place, {classTitle}';
export const firstSlideFolderMailDots = 'First slide, folder, mail…';
export const subject = 'Subject';
export const title = 'Title';
export const theLinkWords = 'The link words';
export const withTheSession = 'with the session as a calendar file';
export const wordsForAlone = 'Words for {classTitle} alone';
export const linkWordsForAlone = 'Link words for {classTitle} alone';
export const blankTheSameAsEverywhere = 'Blank: the same as everywhere.';
export const showItToTheLinks = 'Show it to the link’s own people only';
export const otherWordsHere = 'Other words here';
export const theSameWords = 'The same words';
export const takeAway = 'Take away: {title}';
export const kindWordsOfClassTitle = '{kindWords} of {classTitle}';
export const whatOfClassTitle = '{what} of {classTitle}';

// PlacesPart
export const classPeriods = '{namedCount} class periods';
export const classPeriodsOfThePlaces = 'Class periods of the places';
export const rollSizeStudents = '{rollSize} students';
export const kindOfPlace = 'Kind of place';
export const andKindPlaceOfClassesPart = 'And {kindPlace} of {classesPart}';
export const addThesePlaces = 'Add these {freshCount} places';
export const addThisPlace = 'Add this place';
export const ofAllMyClassPeriods = 'of all my class periods';
export const whereItGoes = 'Where it goes';

// postFilter
export const out = 'Out';
export const queued = 'Queued';
export const drafts = 'Drafts';
export const failed = 'Failed';
export const byHand = 'By hand';
export const overOrWithdrawn = 'Over or withdrawn';
export const classStreams = 'class streams';
export const coursePages = 'course pages';
export const placesFilledByHand = 'places filled by hand';

// PostFilters
export const all = 'All';
export const whichPosts = 'Which posts';
export const everyKindOfPlace = 'every kind of place';
export const classPeriod = 'Class period';
export const everyClassPeriod = 'every class period';
export const day = 'Day';
export const anyDay = 'any day';
export const onOfOn = 'On {kindPlace} of {classPeriod}, on {day}';
export const findPosts = 'Find posts';
export const withTheseWords = 'with these words';

// PostFirst
export const itsPostGoesOutNow = 'Its post goes out now.';
export const itsPostGoesOutAt = 'Its post is not out yet: it goes out at {time}.';
export const itsPostGoesOutOn = 'Its post is not out yet: it goes out {date} at {time}.';
export const itsPostGoesOutLater = 'Its post is not out yet: it goes out later.';
export const postItNow2 = 'Post it now';

// PostPlaces
export const readThere = '{readerCount} read there';
export const shownToOnly = 'shown to {readerCount} only';
export const itsMakerNoLongerHosts = '{read} · its maker no longer hosts here';
export const whereItStands = 'Where it stands';
export const itsPlaces = {
  one: 'Where it stands',
  other: 'Its {n} places',
};

// PostRow
export const history = 'History';
export const glen = 'Glen';
export const putBack = 'Put back';
export const releaseThePost = 'Release the post';
export const change = 'Change';
export const withdraw = 'Withdraw';
export const hideItsHistory = 'Hide its history';
export const itsHistory = 'Its history';
export const chooseInALine = 'Choose: {inALine}';
export const planBy = '{plan} · by {by}';

// PostsPage
export const posts = 'Posts';
export const whoSeesWhichLink = 'Who sees which link';
export const whatAStudentSees = 'What a student sees';
export const takeItElsewhere = 'Take it elsewhere';
export const writeAPost = 'Write a post';
export const nothingHasBeenPostedYet = 'Nothing has been posted yet';
export const writeOnePostForAny =
  'Write one post for any mix of streams, course pages and calendars: Glen puts it there at the right minute and keeps account of where every link stands.';
export const noPostFits = 'No post fits';
export const showThemAll = 'Show them all';

// PostsTab
export const postTheLink = 'Post the link';
export const seeTheCourseSite = 'See the course site';
export const whoSeesIt = 'Who sees it';
export const theLinkStandsNowhereYet = 'The link stands nowhere yet';
export const postItOnceAndIt = 'Post it once and it stays: the link is the same all year.';

// Preview
export const noStudents = 'no students';
export const students = {
  one: '1 student',
  other: '{n} students',
};
export const asStudentsWillSeeIt = 'As students will see it';
export const showItRich = 'Show it rich';
export const showThePlainForm = 'Show the plain form';
export const placeShown = 'Place shown';
export const forSession = 'for {date} {time}';

// RichTools
export const theLinkHere = 'the link, here in the text';
export const titleOfTheSession = 'title of the session';
export const itsDate = 'its date';
export const itsTime = 'its time';
export const whatToBringItsDescription = 'what to bring (its description)';
export const entryCode = 'entry code';
export const letTheChosenWordsLead = 'Let the chosen words lead somewhere';
export const whereTheWordsLead = 'Where the words lead';
export const address = 'Address';
export const giveAFullAddress = 'Give a full address, with https:// before it.';
export const done = 'Done';
export const aFieldThatFillsItself = 'A field that fills itself';
export const howTheWordsLook = 'How the words look';
export const bold = 'Bold';
export const italic = 'Italic';
export const list = 'List';
export const numberedList = 'Numbered list';

// states
export const draftWaitsForYou = 'Draft: waits for you';
export const over = 'Over';
export const waitsForTheMail = 'Waits for the mail';
export const waitsForTheCourseSite = 'Waits for the course site';
export const goingOut = 'Going out';
export const goesOutTime = 'Goes out{time}';
export const beingTakenDown = 'Being taken down';
export const withdrawn = 'Withdrawn';
export const goneFromTheSite = 'Gone from the site';
export const toDoByHand = 'To do by hand';
export const outChangeUnderWay = 'Out, change under way';
export const draft = 'draft';
export const struckThrough = 'struck through';
export const takenDown = 'taken down';
export const failedWithin = 'failed';
export const notThereAnyMore = 'not there any more';
export const doneByHand = 'done by hand';
export const byHandToTakeDown = 'by hand: to take down';
export const waitsForTheMailWithin = 'waits for the mail';
export const waitsForTheSite = 'waits for the site';
export const goingOutWithin = 'going out';
export const byHandWithin = 'by hand';
export const byHandToChange = 'by hand: to change';
export const byHandOverdue = 'by hand: overdue';
export const byHandToDo = 'by hand: to do';
export const sentNotToAll = 'sent, not to all';
export const sent = 'sent';
export const changeUnderWay = 'change under way';
export const saysThatItIsCancelled = 'says that it is cancelled';
export const outWithin = 'out';
export const theLastingLinkTitle = 'The lasting link';
export const eachSessionTitle = 'Each session';
export const theSessionOf = 'The session of {date}';
export const atOnce = 'at once';
export const whenReleased = 'when released';
export const minutesBeforeIt = '{before} minutes before';
export const thatMorningAt = 'that morning at {morning}';
export const afterwards = {
  stay: '',
  down: 'taken down after',
  strike: 'struck through after',
};
export const pinnedWithin = 'pinned';

// TimingPart
export const whatItIsAbout = 'What it is about';
export const theLastingLink = 'the lasting link';
export const itStandsAllYear = 'it stands all year';
export const eachSession = 'each session';
export const oneForEveryDate = 'one for every date';
export const theSessionOfOneDay = 'the session of one day';
export const itIsAboutAndGoesOut = 'It is about {about} and goes out {when}.';
export const itIsAboutAndOut = 'It is about {about} and is <strong>out</strong>.';
export const dayOfTheSession = 'Day of the session';
export const someMinutesBefore = 'some minutes before';
export const thatMorning = 'that morning';
export const whenItGoesOut = 'When it goes out';
export const nowForAllToCome = 'now, for all to come';
export const atATime = 'at a time';
export const whenIReleaseIt = 'when I release it';
export const aDraft = 'a draft';
export const date = 'Date';
export const time = 'Time';
export const minutesBefore = 'Minutes before';
export const minutesBeforeMinutes = ': {minutesBefore} minutes';
export const timeInTheMorning = 'Time in the morning';
export const atTimeMorning = 'at {timeMorning}';
export const whatBecomesOfIt = 'What becomes of it';
export const isTakenDown = 'is taken down';
export const isStruckThrough = 'is struck through';
export const stays = 'stays';
export const whenTheSessionIsOver = 'When the session is over it {becomes}.';
export const pinned = 'Pinned';
export const inOrderWithTheRest = 'in order with the rest';
export const pinnedOnTop = 'pinned on top';
export const onStreamsItIs = 'On streams it is {pinned}.';

// useComposer

// usePostActions
export const somebodyChangedThisPostJust =
  'Somebody changed this post just now. It is shown as it stands; press again if you still want to.';
export const thePostIsBeingTaken = 'The post is being taken down.';
