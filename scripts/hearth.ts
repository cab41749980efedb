import { answer } from './command-answers'

// Problems go to standard error, answers to standard output.
const { code, out, err } = answer(process.argv.slice(2))
process.stdout.write(out)
process.stderr.write(err)
process.exitCode = code
