// A spec that takes longer than this hangs. Speed is the bench's matter: a busy machine must not fail a spec that is right.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
