import { useState } from 'react';
import { ChoiceBox, ChoicePart } from '../ui/choices.js';
import { DateField } from '../ui/DateField.js';
import { Field, InlineField, inputClass } from '../ui/Field.js';
import { NumberPart } from '../ui/NumberPart.js';
import { PickOne } from '../ui/PickOne.js';
import { CardPart } from '../ui/SentencePart.js';
import { TextField, WebAddressField } from '../ui/TextField.js';
import { TimeField } from '../ui/TimeField.js';
import { WritingContext } from '../ui/writing.js';
import { Kind, States } from './Shown.js';

const WHO = [
  { value: 'hosts', label: 'hosts' },
  { value: 'roll', label: 'the roll', hint: '24 students' },
  { value: 'everyone', label: 'everybody with the link', apart: true },
];
const BELLS = [
  { label: '1 begins', time: '08:40' },
  { label: '1 ends', time: '09:30' },
  { label: '2 begins', time: '09:40' },
];

export const TextFields = () => (
  <Kind title="Lines to type in">
    <States of="As it is, with a hint, wrong, and not to be changed">
      <TextField label="Name" defaultValue="Ottoline Marsh" />
      <TextField label="Their address" hint="May be blank." type="email" />
      <TextField label="Title" error="Give it a title." />
      <TextField label="Code" defaultValue="heron" disabled />
    </States>
    <States of="An address on the web, and several lines">
      <WebAddressField label="The room’s address" />
      <Field label="Description">
        {(p) => <textarea {...p} className={inputClass} rows={2} defaultValue="Bring dividers." />}
      </Field>
    </States>
    <States of="In one line, where room is short">
      <InlineField label="Title">
        {(p) => <input {...p} className={inputClass} defaultValue="Tides" />}
      </InlineField>
      <InlineField label="Title" error="Give it a title.">
        {(p) => <input {...p} className={inputClass} />}
      </InlineField>
    </States>
  </Kind>
);

export function Choices() {
  const [who, setWho] = useState('roll');
  const choice = { label: 'Who', value: who, onChange: setWho, choices: WHO };
  return (
    <Kind title="Choices">
      <States of="A marked part of a sentence; what comes from elsewhere; wrong; fixed">
        <ChoicePart {...choice} />
        <ChoicePart {...choice} label="Who, from the school" marked={false} />
        <ChoicePart {...choice} label="Who, wrong" invalid />
        <ChoicePart {...choice} label="Who, fixed" disabled />
      </States>
      <States of="A box, and one in a row of others">
        <ChoiceBox {...choice} label="Who, in a box" />
        <ChoiceBox {...choice} label="Who, in a row" dress="cell" width="w-32" />
      </States>
      <States of="Few, all in sight">
        <PickOne
          label="Which of them"
          value={who}
          choices={WHO.map(({ value, label }) => [value, label] as const)}
          onChange={setWho}
        />
      </States>
      <States of="A card that opens">
        <CardPart label="Whom it is for" shown="the roll">
          <p>Whatever is too much for a list.</p>
        </CardPart>
      </States>
    </Kind>
  );
}

function Moments({ suffix }: { suffix: string }) {
  const [date, setDate] = useState('2026-10-14');
  const [time, setTime] = useState('14:05');
  const [minutes, setMinutes] = useState('50');
  const day = { value: date, onChange: setDate };
  const clock = { value: time, onChange: setTime, bells: BELLS };
  return (
    <>
      <States of={`In a box, in a row, in a sentence; ${suffix}`}>
        <DateField {...day} aria-label={`Day, ${suffix}`} />
        <TimeField {...clock} aria-label={`Time, ${suffix}`} />
        <DateField {...day} dress="cell" aria-label={`Day in a row, ${suffix}`} />
        <TimeField {...clock} dress="cell" aria-label={`Time in a row, ${suffix}`} />
      </States>
      <p className="text-lg leading-sentence">
        On <DateField {...day} dress="part" aria-label={`Day in a sentence, ${suffix}`} /> at{' '}
        <TimeField {...clock} dress="part" aria-label={`Time in a sentence, ${suffix}`} /> for{' '}
        <NumberPart label={`Minutes, ${suffix}`} value={minutes} onChange={setMinutes} /> minutes.
      </p>
    </>
  );
}

const nothing = (): void => {};

export const DatesAndTimes = () => (
  <Kind title="Dates and times">
    <Moments suffix="day first, 24 hours" />
    <WritingContext value={{ dateOrder: 'mdy', hours: '12' }}>
      <Moments suffix="month first, twice 12 hours" />
    </WritingContext>
    <States of="Nothing yet, and wrong">
      <DateField value="" onChange={nothing} placeholder="any day" aria-label="No day" />
      <TimeField value="" onChange={nothing} aria-label="No time" />
      <DateField value="2026-10-14" onChange={nothing} invalid aria-label="A wrong day" />
      <TimeField value="14:05" onChange={nothing} invalid aria-label="A wrong time" />
    </States>
  </Kind>
);
