/** Puts the day's devices on the farm's wire; their tokens go into a file. @returns how many there are */
export function makeWires(address: string, file: string): Promise<number>;
