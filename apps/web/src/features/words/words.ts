/** What words says, sentence by sentence; pages ask for it by name. */

// StopLettersPage
export const kinds = {
  changes: 'letters when something changes that touches you',
  reminders: 'letters before what you teach or attend begins',
  mornings: 'letters about your day, in the morning',
  evenings: 'letters a week before an evening',
  posts: 'letters that teachers write to you',
  weeks: 'letters about who came in the week',
};
export const youGet = 'You get {kind}.';
export const youGetNoAnyMore = 'You get no {kind} any more.';
export const noMoreOfThese = 'No more of these';
export const sendThemToMeAgain = 'Send them to me again';
export const inGlenAllOfIt =
  'In Glen all of it stands as before, under “Word for you”. What somebody asks of you by name is sent in any case.';
export const yourLetters = 'Your letters';

// WordsPage
export const iHaveReadIt = 'I have read it: {title}';
export const iHaveReadItShort = 'I have read it';
export const noWordForYouYet = 'No word for you yet';
export const whatOthersChangeThatTouches =
  'What others change that touches you stands here, until you have read it and after.';
export const wordForYou = 'Word for you';
export const howYouHearOfIt =
  'How you hear of it, by mail too or here alone, is chosen at <link>your account</link>.';
