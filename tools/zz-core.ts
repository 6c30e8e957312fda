import J from 'jasmine';
const j = new J(); j.loadConfig({ spec_dir: '.', spec_files: process.argv.slice(2), random: false }); await j.execute();
