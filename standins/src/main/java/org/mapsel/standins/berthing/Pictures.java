package org.mapsel.standins.berthing;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** Draws a vessel, so that pictures come from nowhere but here. */
final class Pictures {

  private static final int WIDTH = 320;
  private static final int HEIGHT = 180;
  private static final int WATERLINE = 130;

  private Pictures() {}

  static byte[] png(Fleet.Vessel vessel) {
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = image.createGraphics();
    pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    pen.setColor(new Color(0xDCE9F1));
    pen.fillRect(0, 0, WIDTH, WATERLINE);
    int seed = Math.abs(vessel.hullNumber().hashCode());
    int half = 60 + seed % 70;
    int middle = WIDTH / 2;
    pen.setColor(Color.getHSBColor(seed % 360 / 360f, 0.45f, 0.55f));
    pen.fillPolygon(
        new Polygon(
            new int[] {middle - half, middle + half, middle + half - 22, middle - half + 16},
            new int[] {WATERLINE - 28, WATERLINE - 34, WATERLINE + 8, WATERLINE + 8},
            4));
    pen.setColor(new Color(0xF6F1E4));
    int bridge = middle - half + 20 + seed % 30;
    pen.fillRect(bridge, WATERLINE - 66, 34, 38);
    pen.setColor(new Color(0x22313F));
    pen.fillRect(bridge + 5, WATERLINE - 58, 24, 7);
    pen.setStroke(new BasicStroke(3));
    pen.drawLine(middle + half / 2, WATERLINE - 32, middle + half / 2, WATERLINE - 90);
    pen.setColor(new Color(0x5B8FB0));
    pen.fillRect(0, WATERLINE, WIDTH, HEIGHT - WATERLINE);
    pen.dispose();
    try (ByteArrayOutputStream bytes = new ByteArrayOutputStream()) {
      ImageIO.write(image, "png", bytes);
      return bytes.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
