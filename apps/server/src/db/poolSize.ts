/** How many connections to the database each process keeps, where nothing else is said. */
export const USUAL_POOL_SIZE = 10;
