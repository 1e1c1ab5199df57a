export { judgeAuthority, type AuthorityAsked, type AuthorityVerdict, type TwoValues } from './judgeAuthority.ts'
export { readLamp, type LampAnswer, type LampAsked } from './readLamp.ts'
