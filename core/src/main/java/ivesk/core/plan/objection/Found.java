package ivesk.core.plan.objection;

import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.objection.Objection.Swap;
import ivesk.core.plan.script.Script.Line;
import java.util.List;
import java.util.Optional;

record Found(Line line, String words, Optional<Swap> swap) {
  static Found of(Line line, String words) {
    return new Found(line, words, Optional.empty());
  }

  static Found of(Line line, String words, String key, Edit... edits) {
    return new Found(line, words, Optional.of(new Swap(key, List.of(edits))));
  }
}
