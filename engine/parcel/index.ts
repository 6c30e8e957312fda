// How what the engine answers travels to the page, without what the page has already. Light: both sides load it.
export { receivedPlan, sentPlan, type SentPlan } from './sent-plans';
