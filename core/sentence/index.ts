export { choiceToken, plainOptions, readSentence, textToken } from './sentence';
export type { Option, Sentence, SentencePart, Token, TokenInput } from './sentence';
export { counted } from './plural';
