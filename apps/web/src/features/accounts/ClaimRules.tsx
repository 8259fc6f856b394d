import { classTitle } from '@glen/core';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { FieldError } from '../../ui/Field.js';
import { cell } from '../../ui/dress.js';
import type { ClaimRule, WaysEditing } from './useSignInWays.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const ROLES = [
  { value: 'student', label: 'student' },
  { value: 'teacher', label: 'teacher' },
];

interface RuleProps {
  editing: WaysEditing;
  rule: ClaimRule;
  at: number;
  classes: { value: string; label: string }[];
}

interface WordProps {
  label: string;
  placeholder: string;
  value: string;
  error: string | undefined;
  onChange: (value: string) => void;
}

const Word = ({ label, placeholder, value, error, onChange }: WordProps) => (
  <span className="inline-grid">
    <input
      aria-label={label}
      placeholder={placeholder}
      aria-invalid={error !== undefined}
      className={`${cell} w-36 font-mono`}
      maxLength={200}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
    {error && <FieldError inline>{error}</FieldError>}
  </span>
);

/** The rolls that a newcomer comes onto: one choice after another, each taken off again by its name. */
function Rolls({ rule, classes, set }: RuleProps & { set: (part: Partial<ClaimRule>) => void }) {
  const chosen = classes.filter((one) => rule.classIds.includes(Number(one.value)));
  const left = classes.filter((one) => !rule.classIds.includes(Number(one.value)));
  return (
    <>
      {' '}
      {say.onTheRollOf}{' '}
      {chosen.map(({ value, label }) => (
        <Button
          key={value}
          className="mr-1 !px-2 !py-0.5"
          aria-label={fill(say.notLabel, { label })}
          onClick={() => set({ classIds: rule.classIds.filter((id) => id !== Number(value)) })}
        >
          {label} ×
        </Button>
      ))}
      <ChoicePart
        label={say.anotherRoll}
        value=""
        choices={[{ value: '', label: chosen.length > 0 ? say.anotherDots : say.noneYet }, ...left]}
        onChange={(id) => id !== '' && set({ classIds: [...rule.classIds, Number(id)] })}
      />
    </>
  );
}

interface SentenceProps extends RuleProps {
  set: (part: Partial<ClaimRule>) => void;
  errorAt: (field: string) => string | undefined;
}

function RuleSentence({ set, errorAt, ...props }: SentenceProps) {
  const { editing, rule } = props;
  const schools = editing.read.providers.filter(({ kind }) => kind === 'school');
  const become = (role: ClaimRule['role']): void =>
    set({ role, ...(role === 'student' ? {} : { classIds: [] }) });
  return (
    <Said
      as={say.whereSaysOfThem}
      provider={
        <ChoicePart
          label={say.provider}
          value={rule.provider}
          choices={schools.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(provider) => set({ provider })}
        />
      }
      claim={
        <Word
          label={say.claim}
          placeholder={say.groups}
          value={rule.claim}
          error={errorAt('claim')}
          onChange={(claim) => set({ claim })}
        />
      }
      holds={
        <Word
          label={say.whatItHolds}
          placeholder={say.cadets}
          value={rule.value}
          error={errorAt('value')}
          onChange={(value) => set({ value })}
        />
      }
      are={
        <ChoicePart
          label={say.whatTheyAre}
          value={rule.role}
          choices={ROLES}
          onChange={(role) => become(role as ClaimRule['role'])}
        />
      }
      role={rule.role === 'student' && <Rolls {...props} set={set} />}
    />
  );
}

function Rule(props: RuleProps) {
  const { editing, at } = props;
  const set = (part: Partial<ClaimRule>): void =>
    editing.setRules(editing.rules.map((one, i) => (i === at ? { ...one, ...part } : one)));
  const errorAt = (field: string) => editing.errorAt(`rules.${at}.${field}`);
  return (
    <li className="border-t border-line py-3 leading-sentence">
      <RuleSentence {...props} set={set} errorAt={errorAt} />{' '}
      <Button
        kind="danger-link"
        aria-label={fill(say.takeAwayRule, { at: at + 1 })}
        onClick={() => editing.setRules(editing.rules.filter((_, i) => i !== at))}
      >
        {say.takeAwayShort}
      </Button>
      {errorAt('classIds') && <FieldError>{errorAt('classIds')}</FieldError>}
      {errorAt('provider') && <FieldError>{errorAt('provider')}</FieldError>}
    </li>
  );
}

/** What the school makes of whoever signs on at its provider and is nobody yet. */
export function ClaimRules({ editing }: { editing: WaysEditing }) {
  const { data } = api.useClassesQuery();
  const classes = (data?.classes ?? [])
    .filter((one) => !one.isOccasion)
    .map((one) => ({ value: String(one.id), label: classTitle(one) }));
  const school = editing.read.providers.find(({ kind }) => kind === 'school');
  if (!school) return null;
  const { rules } = editing;
  const another: ClaimRule = {
    provider: school.id,
    claim: '',
    value: '',
    role: 'student',
    classIds: [],
  };
  return (
    <section aria-label={say.newcomers} className="mt-8 max-w-3xl">
      <h2 className="mb-1 text-xl">{say.newcomers}</h2>
      <p className="mb-2 text-soft">{rules.length === 0 ? say.whoeverSigns : say.whoeverSignsOn}</p>
      <ul>
        {rules.map((rule, at) => (
          <Rule key={at} editing={editing} rule={rule} at={at} classes={classes} />
        ))}
      </ul>
      <Button className="mt-2" onClick={() => editing.setRules([...rules, another])}>
        {say.takeNewcomersInByWhat}
      </Button>
    </section>
  );
}
