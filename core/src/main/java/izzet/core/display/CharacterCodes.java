package izzet.core.display;

/**
 * What a character display shows for a code, with the glyphs that most are sold with: ASCII with three exceptions, half-width katakana,
 * some Greek and signs. Source: data sheet of the character display controller (HD44780U), character table A00; from memory.
 */
public final class CharacterCodes {

    private static final int FIRST_KATAKANA = 0xA1;
    private static final int FIRST_SIGN = 0xE0;
    private static final int HALF_WIDTH_KATAKANA = 0xFF61;
    private static final int[] SIGN = {
        'α', 'ä', 'β', 'ε', 'µ', 'σ', 'ρ', 'g', '√', '⁻', 'j', 'ˣ', '¢', '£', 'ñ', 'ö', 'p', 'q', 'θ', '∞', 'Ω', 'ü',
        'Σ', 'π', 'x', 'y', '千', '万', '円', '÷', ' ', '█'
    };

    private CharacterCodes() {}

    /** Codes 0 to 15 are the glyphs of one's own, as the characters U+0000 to U+0007. */
    public static char shown(int code) {
        int c = code & 0xFF;
        if (c < 0x10) {
            return (char) (c & 7);
        }
        if (c < ' ' || c >= 0x80 && c < FIRST_KATAKANA) {
            return ' ';
        }
        if (c >= FIRST_SIGN) {
            return (char) SIGN[c - FIRST_SIGN];
        }
        return switch (c) {
            case '\\' -> '¥';
            case '~' -> '→';
            case 0x7F -> '←';
            // The mark of a half-voiced sound, which is what makers print as a degree.
            case 0xDF -> '°';
            default -> c < 0x80 ? (char) c : (char) (HALF_WIDTH_KATAKANA + c - FIRST_KATAKANA);
        };
    }

    /** The code that shows a character; -1 where the table has none. */
    public static int code(int character) {
        if (character >= 0 && character < 8) {
            return character;
        }
        for (int c = ' '; c <= 0xFF; c++) {
            if (shown(c) == character && (c < 0x80 || c >= FIRST_KATAKANA)) {
                return c;
            }
        }
        return character == 'ß' ? 0xE2 : character == 'μ' ? 0xE4 : -1;
    }
}
