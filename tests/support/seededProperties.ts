import * as fc from "fast-check";

// Before every file: properties are tried on the same cases each time. Files that try more or fewer say so themselves.
fc.configureGlobal({ seed: 20261123 });
