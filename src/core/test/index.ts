export { proposedFaults, proposalOf, findingOrigin, dueDay, punchListState, type FaultProposal } from './punch'
