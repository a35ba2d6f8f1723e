package izzet.app.sharing;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.util.Map;

/** A two-dimensional code (ISO/IEC 18004) for an address, as a picture and for a terminal. */
final class QrCode {

    /** Light modules around it that the standard asks for. */
    private static final int QUIET = 4;

    private static final String DARK_ON_LIGHT = "\u001b[30;107m";
    private static final String AS_BEFORE = "\u001b[0m";

    private final BitMatrix modules;

    /** @throws IllegalArgumentException when the text is too long for one */
    QrCode(String text) {
        try {
            modules =
                    new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, QUIET));
        } catch (WriterException e) {
            throw new IllegalArgumentException("Too long for a code: " + text, e);
        }
    }

    /** In modules, with the light rim. */
    int size() {
        return modules.getWidth();
    }

    /** Dark modules as a path, one unit each. */
    String path() {
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < size(); y++) {
            for (int x = 0; x < size(); x++) {
                if (modules.get(x, y)) {
                    int from = x;
                    while (x + 1 < size() && modules.get(x + 1, y)) {
                        x++;
                    }
                    path.append('M')
                            .append(from)
                            .append(' ')
                            .append(y)
                            .append('h')
                            .append(x + 1 - from)
                            .append("v1h");
                    path.append(from - x - 1).append('z');
                }
            }
        }
        return path.toString();
    }

    /** Two modules a sign, dark on light whatever the colours of the terminal. */
    String terminal() {
        StringBuilder lines = new StringBuilder();
        for (int y = 0; y < size(); y += 2) {
            lines.append(DARK_ON_LIGHT);
            for (int x = 0; x < size(); x++) {
                boolean upper = modules.get(x, y);
                boolean lower = y + 1 < size() && modules.get(x, y + 1);
                lines.append(upper ? lower ? '█' : '▀' : lower ? '▄' : ' ');
            }
            lines.append(AS_BEFORE).append(System.lineSeparator());
        }
        return lines.toString();
    }
}
