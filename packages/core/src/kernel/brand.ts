declare const brand: unique symbol;

/** A number (or string) that the compiler will not mix with another of the same storage type. */
export type Brand<T, Name extends string> = T & { readonly [brand]: Name };
