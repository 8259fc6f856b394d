/** What app says, sentence by sentence; pages ask for it by name. */

// calls
export const glenCannotBeReachedJust =
  'Glen cannot be reached just now. Nothing you typed is lost; try again in a moment.';

// clock
export const minutesMin = '{minutes} min';
export const hMin = '{floor} h {minutes} min';
export const roundDays = '{round} days';

// copyText
export const theBrowserDidNotAllow =
  'The browser did not allow copying. Select the text and copy it by hand.';

// orderKept
export const theOrderWasNotKept = 'The order was not kept.';

// PlanWithFeeds
export const freeTimes = 'Free times';
export const appointments = 'Appointments';

// routes
export const thereIsNothingAtThis = 'There is nothing at this address';
export const backToToday = 'Back to Today';

// ServerGone
export const glenCannotBeReachedJustNow =
  'Glen cannot be reached just now. Leave this page open: nothing that you typed is lost, and it goes on by itself.';

// undo
export const undo = 'Undo';
export const thereIsNothingToUndo = 'There is nothing to undo.';
export const undone = 'Undone: {what}';
export const doItAgain = 'Do it again';
export const itWasChangedAgain = 'It was changed again in the meantime, so it stays as it is.';
export const thereIsNothingToDo = 'There is nothing to do again.';
export const itWasChanged = 'It was changed in the meantime, so it stays as it is.';

// useBeginnings
export const itBegins = 'It begins: {title}';
export const yourSessionBegins = 'Your session begins.';

// useHalfWritten
export const whatYouHadTyped = 'What you had typed is thrown away.';

// useKeptForm
export const itIsChanged = 'It is changed.';

// useNoteActions
export const labelDone = '{label}: done.';
export const scheduledSession = 'Scheduled: {session}.';
export const anyoneWithTheLinkKnocks = 'Anyone with the link knocks.';
export const itIsOnItsWay = 'It is on its way there.';
export const itIsBeingTakenDown = 'It is being taken down there.';
export const notedItIsDone = 'Noted: it is done.';
export const thatDidNotWork = 'That did not work.';
