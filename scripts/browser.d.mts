import type { LaunchOptions } from '@playwright/test';
export function chromiumOptions(...more: string[]): LaunchOptions;
export function chromiumWithDevices(): LaunchOptions;
