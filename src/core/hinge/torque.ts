/** Under this the lid stands too steep to say its weight from it. */
const LEAST_COS = 0.2;

export interface HingeTorque {
  frictionNm: number;
  /** What the lid's weight turns with at this angle, and level; null where it stands too steep to say. */
  weightNm: number;
  levelNm: number | null;
  /** It stays up from here on, degrees from level; 0 = everywhere. */
  holdsDownToDeg: number | null;
  /** Friction over level weight: 1.3 to 2.5 as a rule (E). */
  ratio: number | null;
}

/**
 * Friction and weight of a lid from a spring scale pulled square to it at the lip, slowly, opening and closing.
 * @param o forces in N (closing may be negative: it falls), the arm in m, the lid's angle from level in degrees
 * @throws RangeError where the arm is none
 * @example hingeTorque({ openN: 5.2, closeN: 2.8, armM: 0.2, lidDeg: 45 }).frictionNm // 0.8
 */
export function hingeTorque(o: { openN: number; closeN: number; armM: number; lidDeg: number }): HingeTorque {
  if (!(o.armM > 0)) throw new RangeError(`armM: read ${o.armM}, expected more than 0`);
  const frictionNm = (o.armM * (o.openN + o.closeN)) / 2;
  const weightNm = (o.armM * (o.openN - o.closeN)) / 2;
  const cos = Math.cos((o.lidDeg * Math.PI) / 180);
  const levelNm = Math.abs(cos) > LEAST_COS ? weightNm / cos : null;
  if (!levelNm) return { frictionNm, weightNm, levelNm, holdsDownToDeg: null, ratio: null };
  const ratio = frictionNm / levelNm;
  return { frictionNm, weightNm, levelNm, holdsDownToDeg: ratio >= 1 ? 0 : (Math.acos(ratio) * 180) / Math.PI, ratio };
}
