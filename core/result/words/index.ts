export { messageFor } from './message-for';
