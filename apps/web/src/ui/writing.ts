import { createContext, useContext } from 'react';
import type { ClockHours, DateOrder } from '@glen/core/light';

/** How dates and times are written into fields and shown in them. */
interface Writing {
  dateOrder: DateOrder;
  hours: ClockHours;
}

/** As the person wishes, else as the school has it; given once, by whoever knows who is signed in. */
export const WritingContext = createContext<Writing>({ dateOrder: 'dmy', hours: '24' });

export const useWriting = (): Writing => useContext(WritingContext);
