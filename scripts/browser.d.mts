import type { LaunchOptions } from '@playwright/test';
export const FAKE_DEVICES: string;
export function chromiumOptions(...more: string[]): LaunchOptions;
