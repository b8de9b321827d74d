package ivesk.core.aftercare;

import ivesk.core.Require;
import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;

/// One check-in, as the client tells it.
///
/// @param sensation 0 to 10
/// @param flaking 0 none to 3 much
/// @param redness 0 none to 3 strong
/// @param words the client's own; may be empty
public record HowItIs(
    int sensation, int flaking, int redness, Set<Complaint> complaints, String words) {
  public HowItIs {
    Require.range("sensation", sensation, 0, 10);
    Require.range("flaking", flaking, 0, 3);
    Require.range("redness", redness, 0, 3);
    Require.atMost("own words", words, 1000);
    complaints = Collections.unmodifiableSortedSet(new TreeSet<>(complaints));
  }
}
