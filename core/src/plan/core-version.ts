/** Version of what plan() computes; part of every plan's name. A change of any result raises it. */
export const CORE_VERSION = '1.6.0';
