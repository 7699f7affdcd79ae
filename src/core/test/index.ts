export { proposedFaults, proposalOf, dueDay, punchListState, type FaultProposal } from './punch'
