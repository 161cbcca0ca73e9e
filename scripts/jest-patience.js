const { configure } = require('@testing-library/react');

/** What comes is waited for as long as a busy machine needs; only what never comes fails. */
configure({ asyncUtilTimeout: 120_000 });
