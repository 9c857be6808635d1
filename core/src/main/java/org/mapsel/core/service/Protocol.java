package org.mapsel.core.service;

/** What is spoken at an endpoint. */
public enum Protocol {
  SOAP_1_1("SOAP 1.1"),
  SOAP_1_2("SOAP 1.2"),
  HTTP_GET("HTTP GET"),
  HTTP_POST("HTTP POST"),
  /** Plain HTTP, each operation with a method of its own. */
  HTTP("HTTP"),
  /** OData before version 4. */
  ODATA_2("OData 2.0"),
  ODATA_4("OData 4.0");

  private final String label;

  Protocol(String label) {
    this.label = label;
  }

  /** As people read it. */
  public String label() {
    return label;
  }
}
