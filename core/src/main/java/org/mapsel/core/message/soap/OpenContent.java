package org.mapsel.core.message.soap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Content without any shape: elements become fields by their local names, the rest is text. */
final class OpenContent {

  private OpenContent() {}

  /** Reads the element that the cursor stands on; stands at its end afterwards. */
  static Value read(XmlCursor cursor) throws DocumentException {
    int depth = cursor.depth();
    Map<String, List<Value>> children = new LinkedHashMap<>();
    StringBuilder text = new StringBuilder();
    while (cursor.nextChildOrText(depth, text)) {
      String local = cursor.local();
      children.computeIfAbsent(local, name -> new ArrayList<>(1)).add(read(cursor));
    }
    if (children.isEmpty()) {
      return new TextValue(text.toString());
    }
    Map<String, Value> fields = new LinkedHashMap<>();
    children.forEach(
        (name, values) ->
            fields.put(name, values.size() == 1 ? values.get(0) : new ListValue(values)));
    return RecordValue.of(fields);
  }
}
