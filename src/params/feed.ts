/** A calendar address ends on its secret and .ics. */
export const match = (param: string): boolean => /^[\w-]{20,64}\.ics$/.test(param);
