export { choiceToken, plainOptions, readSentence, textToken, ticksToken, toggled } from './sentence';
export type { Option, Sentence, SentencePart, Token, TokenInput } from './sentence';
export { nearest } from './near';
export { counted, listed, several } from './plural';
