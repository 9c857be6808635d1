package org.mapsel.core.read;

/** A description format and the version of it that a document follows, for instance WSDL 1.1. */
public record Format(String name, String version) {

  /** As people read it. */
  public String label() {
    return name + " " + version;
  }
}
