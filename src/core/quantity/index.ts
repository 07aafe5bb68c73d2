export { inchesBeside, LENGTHS, type Lengths, readLength } from "./length";
export { formatMoney } from "./money";
export { readNumber } from "./number";
export { confidenceOf, DECIDES_AT, decides, SOURCE_CONFIDENCE, SOURCE_WORDS, SOURCES, type Source, type Sourced } from "./source";
export { sourced } from "./sourced";
export { counted, durationWords, listed, mm, sureWords } from "./text";
export { DATE_ORDERS, type DateOrder, readWhen, writeWhen } from "./when";
