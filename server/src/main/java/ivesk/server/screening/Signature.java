package ivesk.server.screening;

import ivesk.core.Require;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import javax.imageio.ImageIO;

/// A drawn signature: strokes of points on a field of 600 by 200.
///
/// @param strokes each a list of points, at most 400 strokes of 4,000 points
public record Signature(List<List<Point>> strokes) {
  static final int WIDTH = 600;
  static final int HEIGHT = 200;

  /// @param x 0 to 600 from the left
  /// @param y 0 to 200 from the top
  public record Point(double x, double y) {
    public Point {
      Require.range("signature x", x, 0, WIDTH);
      Require.range("signature y", y, 0, HEIGHT);
    }
  }

  public Signature {
    strokes = strokes.stream().map(List::copyOf).toList();
    Require.range("number of strokes", strokes.size(), 1, 400);
    int points = 0;
    double length = 0;
    for (List<Point> stroke : strokes) {
      Require.range("points of a stroke", stroke.size(), 1, 4000);
      points += stroke.size();
      for (int i = 1; i < stroke.size(); i++) {
        Point from = stroke.get(i - 1);
        Point to = stroke.get(i);
        length += Math.hypot(to.x() - from.x(), to.y() - from.y());
      }
    }
    Require.range("points of the signature", points, 1, 20_000);
    if (length < 40) {
      throw new IllegalArgumentException("the signature is only a dot; please sign again");
    }
  }

  /// As a black line on white, PNG.
  byte[] picture() {
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_BYTE_GRAY);
    Graphics2D pen = image.createGraphics();
    pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    pen.setColor(Color.WHITE);
    pen.fillRect(0, 0, WIDTH, HEIGHT);
    pen.setColor(Color.BLACK);
    pen.setStroke(new BasicStroke(2.6f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
    for (List<Point> stroke : strokes) {
      Path2D line = new Path2D.Double();
      line.moveTo(stroke.getFirst().x(), stroke.getFirst().y());
      for (Point point : stroke) line.lineTo(point.x(), point.y());
      pen.draw(line);
    }
    pen.dispose();
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", bytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }
}
