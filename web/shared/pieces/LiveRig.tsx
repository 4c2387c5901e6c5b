import { type Scene, tell, type UnitChoice } from "@lampcrate/core";
import { memo } from "react";
import type { Gripping } from "./Grips.tsx";
import { RigDrawing } from "./RigDrawing.tsx";

interface LiveRigProps {
  readonly scene: Scene;
  readonly units: UnitChoice;
  /** Seconds since it was let go; null while it is held. */
  readonly timeS: number | null;
  readonly tall?: number;
  /** What can be moved in it while it is held. */
  readonly gripping?: Gripping | undefined;
  /** Size in m to draw for, so that two rigs share one scale. */
  readonly frameWidth: number;
  readonly frameHeight: number;
}

/** A rig that moves when it is let go. Its still shows the same numbers, and the words under it say what is seen. */
export const LiveRig = memo(function LiveRig({ scene, units, timeS, tall = 300, gripping, frameWidth, frameHeight }: LiveRigProps) {
  const { motion } = scene;
  const shown =
    motion && timeS !== null
      ? {
          ...scene,
          marks: [...scene.marks.filter((_, i) => !motion.replaces.includes(i)), ...motion.at(Math.min(timeS, motion.durationS))],
        }
      : scene;
  return (
    <figure className="live-rig">
      <RigDrawing
        scene={shown}
        units={units}
        tall={tall}
        wide={560}
        gripping={gripping}
        frame={{ width: frameWidth, height: frameHeight }}
      />
      {motion ? <figcaption className="small">{tell(motion.told, units)}</figcaption> : null}
    </figure>
  );
});
