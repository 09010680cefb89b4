/** The code on a label: bars for a trade number, a square for anything else. */

/** Digits of a trade number with its check digit: eight or thirteen. */
const BARS = /^(?:\d{8}|\d{13})$/;

/** What a code is printed as. */
export const codeKind = (code: string): 'ean8' | 'ean13' | 'qrcode' =>
  code.length === 8 && BARS.test(code) ? 'ean8' : BARS.test(code) ? 'ean13' : 'qrcode';

/** Whether the last digit is the one the others ask for: from the right, three times every other one. */
function checkDigitFits(code: string): boolean {
  const digits = [...code].map(Number);
  const check = digits.pop() ?? 0;
  const sum = digits.reverse().reduce((a, d, n) => a + d * (n % 2 === 0 ? 3 : 1), 0);
  return (10 - (sum % 10)) % 10 === check;
}

/** Why a code can't be printed; null: it can. */
export const codeWrong = (code: string): string | null =>
  BARS.test(code) && !checkDigitFits(code)
    ? 'Its last digit is not the one the others ask for: a digit is wrong.'
    : null;
