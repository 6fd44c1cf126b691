/** A name as it is compared: however it was spaced and whatever its letters' case. */
export const plainName = (name: string): string => name.trim().toLowerCase().replace(/\s+/g, ' ');
