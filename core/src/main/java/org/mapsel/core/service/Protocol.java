package org.mapsel.core.service;

/** What is spoken at an endpoint. */
public enum Protocol {
  SOAP_1_1("SOAP 1.1"),
  SOAP_1_2("SOAP 1.2"),
  HTTP_GET("HTTP GET"),
  HTTP_POST("HTTP POST"),
  /** Plain HTTP, each operation with a method of its own. */
  HTTP("HTTP");

  private final String label;

  Protocol(String label) {
    this.label = label;
  }

  /** As people read it. */
  public String label() {
    return label;
  }
}
