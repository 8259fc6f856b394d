import { Counter, Gauge, Histogram, Registry, collectDefaultMetrics } from 'prom-client';
import type { FiguresNow } from './figuresStore.js';

/** Seconds: from what a door takes to what somebody gives up waiting for. */
const BUCKETS = [0.002, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10];

/** Figures of one process and of the school's database, for a Prometheus server (text exposition format 0.0.4). */
export class Metrics {
  private readonly registry = new Registry();
  private isOfProcess = false;

  private readonly requests = new Histogram({
    name: 'glen_request_seconds',
    help: 'How long requests took, by endpoint and status',
    labelNames: ['endpoint', 'status'] as const,
    buckets: BUCKETS,
    registers: [this.registry],
  });
  private readonly tidied = new Counter({
    name: 'glen_tidied_total',
    help: 'Rows that housekeeping has taken away, by table',
    labelNames: ['table'] as const,
    registers: [this.registry],
  });
  private readonly jobs = this.gauge('glen_outbox_jobs', 'Jobs by state', ['state']);
  private readonly lag = this.gauge(
    'glen_outbox_lag_seconds',
    'How long the job that is due longest has been due',
  );
  private readonly streams = this.gauge('glen_streams', 'Pages that hear of changes');
  private readonly rooms = this.gauge('glen_rooms', 'Rooms that stand');
  private readonly inside = this.gauge('glen_people_inside', 'People in rooms');

  private gauge(name: string, help: string, labelNames: string[] = []): Gauge {
    return new Gauge({ name, help, labelNames, registers: [this.registry] });
  }

  /** Seconds from a request to its answer. */
  answered(endpoint: string, status: number, seconds: number): void {
    this.requests.observe({ endpoint, status }, seconds);
  }

  tookAway(table: string, rows: number): void {
    this.tidied.inc({ table }, rows);
  }

  async text(now: FiguresNow, streams: number): Promise<{ type: string; body: string }> {
    // Watching a process costs it a little: not before anybody asks.
    if (!this.isOfProcess) collectDefaultMetrics({ register: this.registry });
    this.isOfProcess = true;
    for (const [state, count] of Object.entries(now.jobs)) this.jobs.set({ state }, count);
    this.lag.set(now.lagSeconds);
    this.streams.set(streams);
    this.rooms.set(now.rooms);
    this.inside.set(now.inside);
    return { type: this.registry.contentType, body: await this.registry.metrics() };
  }
}
