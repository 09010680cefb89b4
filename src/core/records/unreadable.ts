/** Something stored that can't be read. */
export interface Unreadable {
  /** Which value, in the cook's words: "the gear of the house, number 3". */
  readonly what: string;
  /** Where it stands: "kitchen.house.gear.2". */
  readonly where: string;
  /** What is wrong with it. */
  readonly why: string;
}
