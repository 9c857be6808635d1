package org.mapsel.core.message.soap;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Trail;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** XML without an envelope: one element with the fields of a record in it. */
public final class XmlBody {

  private static final int USUAL_LENGTH = 1_024;

  private XmlBody() {}

  /** A field's value as a document. */
  public static byte[] write(
      Shapes shapes, Name element, Field field, Value value, Trail path, Findings findings) {
    XmlText out = new XmlText(USUAL_LENGTH);
    ElementWriter elements = new ElementWriter(shapes, findings, out, null);
    String outer = elements.start(element);
    elements.content(field.shape(), value, path);
    elements.end(outer);
    return out.finish();
  }

  /** A field as an element that may stand in any document, whatever is in force there. */
  public static String element(
      Shapes shapes, Field field, Value value, Trail parent, Findings findings) {
    XmlText out = new XmlText(USUAL_LENGTH);
    new ElementWriter(shapes, findings, out, null).field(field, value, parent);
    String written = new String(out.finish(), StandardCharsets.UTF_8);
    return field.wire() instanceof Wire.XmlElement element && element.name().namespace().isEmpty()
        ? written.replaceFirst("[\\s/>]", " xmlns=\"\"$0")
        : written;
  }

  /** A text as it may stand between tags and quotes. */
  public static String escaped(String text, Trail path, Findings findings) {
    Optional<String> escaped = XmlText.escape(text);
    if (escaped.isEmpty()) {
      findings.add(path.error("MESSAGE_CHARACTER_REFUSED"));
    }
    return escaped.orElse("");
  }

  /** What stands in the first element of a document, whatever it is called. */
  public static RecordValue read(
      Shapes shapes, ShapeId shape, byte[] body, Set<FieldPath> wanted, Findings findings)
      throws DocumentException {
    try (XmlCursor cursor = XmlCursor.open(new SourceText("answer", body), Limits.ANSWER)) {
      cursor.oddities().forEach(findings::add);
      ReadPlan plan = ReadPlan.of(shapes, shape, wanted);
      return new ContentReader(cursor, findings, Attachments.NONE).record(plan);
    }
  }
}
