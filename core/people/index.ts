export { mayChange, roles, roleWords, showsCosts, type Role, type Standing } from './roles.ts'
export { remarksWithoutCosts, withoutCosts } from './without-costs.ts'
