/** A share with what it may truly be (four in five), and the jobs behind it. */
export interface Share {
  of: number;
  times: number;
  share: number;
  low: number;
  high: number;
  jobs: string[];
}
