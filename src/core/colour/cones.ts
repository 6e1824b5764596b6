import { inverse, Matrix } from 'ml-matrix';

/** Linear sRGB to XYZ (IEC 61966-2-1, the exact matrix), and XYZ to the cones of the Bradford adaptation (Lam 1985; CIE 159). */
const RGB_TO_XYZ = new Matrix([
  [0.4123907992659593, 0.357584339383878, 0.1804807884018343],
  [0.2126390058715102, 0.715168678767756, 0.0721923153607337],
  [0.0193308187155918, 0.119194779794626, 0.9505321522496607],
]);
const XYZ_TO_CONES = new Matrix([
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
]);

/** Linear sRGB to Bradford cone light, 3 × 3, and back. */
export const TO_CONES = XYZ_TO_CONES.mmul(RGB_TO_XYZ);
export const FROM_CONES = inverse(TO_CONES);
