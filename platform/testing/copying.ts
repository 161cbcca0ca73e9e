// The device's database needs a way to copy values and to come back in a moment, which the page of the tests has not.
globalThis.structuredClone ??= ((value: unknown) => JSON.parse(JSON.stringify(value))) as typeof structuredClone;
globalThis.setImmediate ??= ((work: () => void) => setTimeout(work, 0)) as unknown as typeof setImmediate;

export {};
