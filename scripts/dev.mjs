#!/usr/bin/env node
// `npm run dev`: the same server in development mode.
import { checkNode, packages } from "./prepare.mjs";

checkNode();
await packages();
process.env.NODE_ENV = "development";
process.env.NEXT_TELEMETRY_DISABLED = "1";
await import("./serve.mjs");
