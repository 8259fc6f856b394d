/** What feed says, sentence by sentence; pages ask for it by name. */

// AlarmPart
export const asItBegins = 'as it begins';
export const fiveMinutesBefore = '5 minutes before';
export const tenMinutesBefore = '10 minutes before';
export const thirtyMinutesBefore = '30 minutes before';
export const anHourBefore = 'an hour before';
export const aDayBefore = 'a day before';
export const notAtAll = 'not at all';
export const whenCalendarsRemind = 'When calendars remind: {title}';
export const calendarsRemind = 'Calendars remind {none}.';

// Feeds
export const copyItNow = 'Copy it now: it is shown this once.';
export const copyThemNow = 'Copy them now: they are shown this once.';
export const copyAddress = 'Copy address';
export const copyTheCalendarsAddress = 'Copy the calendar’s address';
export const calendarAddressCopied = 'Calendar address copied.';
export const copyTheAddressOfWhat = 'Copy the address of what is posted';
export const addressOfWhatIsPosted = 'Address of what is posted copied.';
export const yesMakeItTheOld = 'Yes, make it; the old one stops';
export const makeANewAddress = 'Make a new address';
export const yesSwitchItOff = 'Yes, switch it off';
export const switchItOff = 'Switch it off';
export const makeAnAddress = 'Make an address';
export const anAddressMadeOnWorks = 'An address made on {date} works.';
export const allThatIsMine = 'All that is mine';
export const calendarFeeds = 'Calendar feeds';
export const aCalendarProgramThatSubscribes =
  'A calendar program that subscribes to such an address shows the sessions with their links. Whoever has the address can read them, until it is switched off.';
