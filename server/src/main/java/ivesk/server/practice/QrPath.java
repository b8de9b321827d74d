package ivesk.server.practice;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.util.Map;

/// A QR code (ISO/IEC 18004) as an SVG path of unit squares, with the quiet margin around it.
///
/// @param size modules a side
public record QrPath(String path, int size) {

  public static QrPath of(String words) {
    try {
      BitMatrix code =
          new QRCodeWriter()
              .encode(words, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, 4));
      StringBuilder path = new StringBuilder();
      for (int y = 0; y < code.getHeight(); y++) {
        for (int x = 0; x < code.getWidth(); x++) {
          if (code.get(x, y)) path.append('M').append(x).append(' ').append(y).append("h1v1h-1z");
        }
      }
      return new QrPath(path.toString(), code.getWidth());
    } catch (WriterException e) {
      throw new IllegalStateException(e);
    }
  }
}
