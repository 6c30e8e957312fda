import { read, WrongUse, type Command, type Speech } from '../command';

const help = `cowbell completion bash|zsh|fish

Prints what makes a shell complete the commands and options of cowbell.

  cowbell completion bash >> ~/.bashrc
  cowbell completion fish > ~/.config/fish/completions/cowbell.fish`;

/** Options of a command: those that its help names. */
const optionsOf = ({ help: text }: Command): string[] => [...new Set(text.match(/(?<![\w-])--[a-z][a-z-]*/g) ?? [])].sort();

const bash = (commands: readonly Command[]): string => `_cowbell() {
  local command="\${COMP_WORDS[1]}" word="\${COMP_WORDS[COMP_CWORD]}"
  if [ "$COMP_CWORD" -eq 1 ]; then
    COMPREPLY=($(compgen -W "${commands.map(({ name }) => name).join(' ')} help" -- "$word"))
    return
  fi
  case "$command" in
${commands.map(command => `    ${command.name}) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W "${optionsOf(command).join(' ')}" -- "$word")) ;;`).join('\n')}
  esac
}
complete -o default -F _cowbell cowbell
`;

const zsh = (commands: readonly Command[]): string => `#compdef cowbell
_cowbell() {
  if (( CURRENT == 2 )); then
    local -a names=(${commands.map(({ name, about }) => `'${name}:${about.replaceAll("'", '’')}'`).join(' ')})
    _describe 'command' names
    return
  fi
  case "$words[2]" in
${commands.map(command => `    ${command.name}) compadd -- ${optionsOf(command).join(' ')} ;;`).join('\n')}
  esac
  _files
}
compdef _cowbell cowbell
`;

const fish = (commands: readonly Command[]): string =>
  commands
    .flatMap(command => [
      `complete -c cowbell -n __fish_use_subcommand -a ${command.name} -d '${command.about.replaceAll("'", '’')}'`,
      ...optionsOf(command).map(option => `complete -c cowbell -n '__fish_seen_subcommand_from ${command.name}' -l ${option.slice(2)}`),
    ])
    .map(line => `${line}\n`)
    .join('');

const shells: Readonly<Record<string, (commands: readonly Command[]) => string>> = { bash, zsh, fish };

/** Shell completion, generated from the commands. */
export const completion = (commands: () => readonly Command[]): Command => ({
  name: 'completion',
  about: 'what makes a shell complete commands and options',
  help,
  run: (args: readonly string[], speech: Speech) => {
    const { positionals } = read(args, {});
    const [shell = '', ...more] = positionals;
    const write = Object.hasOwn(shells, shell) ? shells[shell] : undefined;
    if (!write || more.length) throw new WrongUse(`Choose a shell: ${Object.keys(shells).join(', ')}.`);
    speech.out(write(commands()));
    return Promise.resolve();
  },
});
