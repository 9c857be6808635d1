package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.ref.Place;

/** A node and the document it stands in, which is where its references start. */
record Located(DataNode node, String document) {

  Optional<Located> find(String member) {
    return node.find(member).map(this::beside);
  }

  Located beside(DataNode other) {
    return new Located(other, document);
  }

  List<Located> items(String member) {
    List<DataNode> items = node.items(member);
    if (items.isEmpty()) {
      return List.of();
    }
    List<Located> located = new ArrayList<>(items.size());
    for (DataNode item : items) {
      located.add(beside(item));
    }
    return located;
  }

  Place place() {
    return node.place(document);
  }
}
