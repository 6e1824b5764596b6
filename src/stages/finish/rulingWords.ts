import type { RustRuling } from '@/core/finish/rust';
import { inSentence } from '@/core/materials/inSentence';
import { surfaceOf } from '@/core/materials/surfaces';

/** Why a way against rust is not taken, in words. */
export function rulingWords(why: RustRuling): string {
  switch (why.kind) {
    case 'surface':
      return `Never on ${inSentence(surfaceOf(why.surface).title)}. ${why.reason}`;
    case 'plating':
      return `The plating is about ${why.platingUm} µm thick; this takes it off whole, and eats on.`;
    case 'too thin':
      return `The sheet is ${why.thickMm} mm thick. Under ${why.leastMm} mm it goes through.`;
    case 'springs crack':
      return 'Strong acid makes spring steel brittle: it breaks days later.';
    case 'takes too much':
      return `It would take ${why.takesMm.toFixed(2)} mm; for what the part must do it may lose ${why.mayMm.toFixed(2)} mm.`;
    case 'does not conduct':
      return 'What it leaves does not conduct, and this part must.';
    case 'not on aluminium':
      return 'Aluminium does not rust: its white bloom is brushed or sanded, and acid eats it.';
    case 'does not come off':
      return 'It cannot lie in a bath by itself.';
    case 'no way back':
      return 'A bloom goes by gentler means; what strong acid takes does not come back.';
  }
}
