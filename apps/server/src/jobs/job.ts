export const JOB_KINDS = [
  'placement',
  'end-room',
  'put-out',
  'set-role',
  'post',
  'look',
  'room-rules',
  'mute',
  'let-share',
  'letter',
  'gather',
  'morning',
  'week',
  'drop-recording',
  'slots',
  'room-word',
  'poll',
  'programme',
  'appointments',
] as const;
export type JobKind = (typeof JOB_KINDS)[number];
export interface Job {
  id: number;
  kind: JobKind;
  subject: string;
  payload: Record<string, string | number>;
  tries: number;
}

/** `sooner`: where one waits already, the earlier of both times counts; else the later wish's. */
export interface Wish {
  kind: JobKind;
  subject: string;
  payload?: Record<string, string | number>;
  dueSchool?: string | null;
  waitSeconds?: number;
  sooner?: boolean;
}
