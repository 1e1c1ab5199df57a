// By itself: who opens a job reads nothing of what a job is made of before a machine is picked.
export { variantQuestions } from '@tidy-badger/core/jobs'
