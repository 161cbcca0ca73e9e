/** Something the person who starts the server can cure; its message is one sentence that says how. */
export class StartError extends Error {}
