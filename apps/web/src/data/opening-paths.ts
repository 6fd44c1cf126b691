// What every page of a farm opens with, by its one name: it is asked ahead of the program, taken by the page and told apart by what is kept.
export const ME = '/api/auth/me' as const;
export const HEADER = '/api/farms/{farmId}/header' as const;
export const NOW = '/api/farms/{farmId}/now' as const;
export const LAYERS = '/api/farms/{farmId}/layers' as const;
export const WEATHER = '/api/farms/{farmId}/weather' as const;
