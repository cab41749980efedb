export { dryRunOf, type DryTable, makeDryRun, throwAway, throwOldAway } from './dry-run'
