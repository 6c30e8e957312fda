// Runs one target of angular.json (`build`, `test`) with Angular's own builders. The full command-line tool of Angular brings a fifth of all files of an
// install and is needed for nothing else.
import { Architect } from '@angular-devkit/architect';
import { WorkspaceNodeModulesArchitectHost } from '@angular-devkit/architect/node/index.js';
import { json, logging, schema, workspaces } from '@angular-devkit/core';
import { createConsoleLogger } from '@angular-devkit/core/node/index.js';
import { root } from './install.mjs';

/** Runs a target with options over those of angular.json; gives whether it succeeded. */
export async function runTarget(target, options = {}) {
  const registry = new schema.CoreSchemaRegistry();
  registry.addPostTransform(schema.transforms.addUndefinedDefaults);
  const { NodeJsSyncHost } = await import('@angular-devkit/core/node/index.js');
  const { workspace } = await workspaces.readWorkspace(root, workspaces.createWorkspaceHost(new NodeJsSyncHost()));
  const architect = new Architect(new WorkspaceNodeModulesArchitectHost(workspace, root), registry);
  const run = await architect.scheduleTarget({ project: 'cowbell', target }, options, {
    logger: createConsoleLogger(false, process.stdout, process.stderr),
  });
  const { success } = await run.lastOutput;
  await run.stop();
  return success;
}

/** `--name`, `--name=value`; `true` and `false` are no texts. */
function optionOf(word) {
  const [, name, value = 'true'] = /^--([^=]+)(?:=(.*))?$/s.exec(word) ?? [];
  return [name, value === 'true' || value === 'false' ? value === 'true' : value];
}

if (process.argv[1] === import.meta.filename) {
  const [target, ...words] = process.argv.slice(2);
  const options = Object.fromEntries(words.map(optionOf));
  process.exit((await runTarget(target, options)) ? 0 : 1);
}
