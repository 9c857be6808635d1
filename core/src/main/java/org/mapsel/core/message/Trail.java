package org.mapsel.core.message;

import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.FieldPath;

/** The way to a field while it is written; made into a path only when there is something to say. */
public record Trail(@Nullable Trail parent, String name) {

  public static final Trail ROOT = new Trail(null, "");

  public Trail then(String field) {
    return new Trail(this, field);
  }

  public FieldPath path() {
    return parent == null ? FieldPath.ROOT : parent.path().then(name);
  }

  /** An error about the field; the argument {@code field} names it. */
  public Finding error(String code, String... more) {
    String[] arguments = new String[2 + more.length];
    arguments[0] = "field";
    arguments[1] = path().toString();
    System.arraycopy(more, 0, arguments, 2, more.length);
    return Finding.error(code, arguments).about(path());
  }
}
