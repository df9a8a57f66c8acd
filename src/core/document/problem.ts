/** Something wrong with a document: where, and what to do about it. */
export interface Problem {
  /** JSON pointer of the field, e.g. `/head/dimensions/breadth` */
  readonly path: string;
  /** A sentence that names the field, what is wrong and the remedy */
  readonly message: string;
}
