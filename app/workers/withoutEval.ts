// Imported first by every worker: validation without compiling code at run time, which the content security policy
// forbids.
;(globalThis as { __zod_globalConfig?: object }).__zod_globalConfig = { jitless: true }
