export { jobsAt, ownJobsAt, rhythmsOf, type JobDue, type JobRhythm } from './due'
export { careEntries, type CareWrite } from './entries'
export { careReasons, tellRhythm } from './wording'
export { careLines, type CareLine, type CareStop } from './lines'
