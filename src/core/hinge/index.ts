export { alignHinges, type HingeAnswer, type HingeAsk, type HingeMove, type HingePick, type HingeReading } from "./align";
export { type HingeTorque, hingeTorque } from "./torque";
export { type HingeAct, hingeActs, stubbornHinge } from "./words";
