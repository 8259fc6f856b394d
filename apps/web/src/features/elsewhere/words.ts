/** What elsewhere says, sentence by sentence; pages ask for it by name. */

// ElsewherePage
export const thoseThatAreForAll = 'those that are for all of it';
export const thoseForSomeOfIt = 'those for some of it too';
export const classPeriod = 'Class period';
export const whichLinks = 'Which links';
export const theLinksOf = 'The links of {classPeriod}{hasOthers}.';
export const whatIsTakenAlongStays = 'What is taken along stays as it is';
export const whereGlenPostsItself =
  'Where Glen posts itself, a replaced link is put right. What you put elsewhere by hand you put right by hand: note it as a place that you fill yourself, and Glen tells you.';
export const someLinksAreForSome = 'Some links are for some alone';
export const whoeverIsGivenThePage =
  'Whoever is given the page or the cartridge reads all of them.';
export const takeItElsewhere = 'Take it elsewhere';
export const nothingToTakeAlongYet = 'Nothing to take along yet';
export const onceYouTeachAClass =
  'Once you teach a class period, its links can be taken along from here.';

// FeedPart
export const privateAddresses = 'Private addresses';
export const addressesThatFollow = 'Addresses that follow';
export const aCalendarWithAll =
  'A calendar with all its sessions, and a feed (Atom) of what is posted to all of it, always as they stand. Whoever has an address can read it, until it is switched off.';

// PagesPart
export const links = {
  one: 'One link',
  other: '{n} links',
};
export const aPageOfLinks = 'A page of links';
export const noneOfItsLinks = 'None of its links is for all of it.';
export const byWhatTheyAreFor = '{links}, by what they are for.';
export const copiedRichAndPlain = 'Copied, rich and plain.';
export const copyThePage = 'Copy the page';
export const saveAsHtml = 'Save as HTML';
export const saveAsMarkdown = 'Save as Markdown';
export const saveAsPlainText = 'Save as plain text';
export const forACourseSite = 'For a course site';
export const theSameAsACommon =
  'The same as a Common Cartridge, which most course sites take in: each part becomes a section, each link an item of it. What is taken in does not follow when a link is replaced.';
export const saveTheCartridge = 'Save the cartridge';

// PicturesPart
export const itsHtmlIsCopied = 'Its HTML is copied.';
export const slide = 'Slide';
export const poster = 'Poster';
export const banner = 'Banner';
export const about = {
  slide: 'For the first or last slide of a lesson.',
  poster: 'For the wall, on a sheet of paper.',
  banner: 'A picture that is the link itself, where pages take HTML.',
};
export const theBannerIsCopied = 'The banner is copied.';
export const copyTheBanner = 'Copy the banner';
export const copyItsHtml = 'Copy its HTML';
export const saveAsSvg = 'Save as SVG';
export const printItOrSave = 'Print it, or save as PDF';
export const aPicture = 'A picture';
export const linkOfThePicture = 'Link of the picture';
export const ofLinkPicture = 'Of {linkPicture}';
export const kindOfPicture = 'Kind of picture';
export const findOfPictured = '{find} of {pictured}';
