export { fitAppointments, MOST_WANTED } from './fitAppointments.js';
