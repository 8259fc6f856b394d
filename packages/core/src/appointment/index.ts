export { fitAppointments, MOST_WANTED } from './fitAppointments.js';
export { fitWishes, type NumberedSlot } from './fitWishes.js';
