/** How long to wait before the server is asked again, in milliseconds: after the first failure, the second and so on. */
const RETRY_MS = [500, 1000, 2000, 4000, 8000];

export const retryMs = (failures: number): number => RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] ?? 0;
