// Validation without compiling code at run time, which the content security policy forbids.
globalThis.__zod_globalConfig = { jitless: true }
