// A kind: a button design, made once and placed many times.
#pragma once
#include <map>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"
#include "runtime/document/property.h"

namespace bristle {

struct Part {
  PartId id;
  std::string name;
  PartType type = PartType::Shape;
  Extras extra;
  bool operator==(const Part&) const = default;
};

// Values by property, ordered by key. Small, so a sorted vector.
class LookValues {
 public:
  // Null where it is not set. Valid until the next change.
  const Value* find(const PropKey& key) const;
  // Adds it, or writes it over.
  void set(const PropKey& key, Value value);
  // Whether there was one.
  bool clear(const PropKey& key);
  // All of a part’s.
  void clearPart(const PartId& part);
  bool empty() const { return values_.empty(); }
  size_t size() const { return values_.size(); }
  auto begin() const { return values_.begin(); }
  auto end() const { return values_.end(); }
  bool operator==(const LookValues&) const = default;

 private:
  std::vector<std::pair<PropKey, Value>> values_;
};

// What takes the pointer: the box, the outline of the first shape, or the first picture where it is
// opaque enough.
enum class HitForm : std::uint8_t { Box, Shape, Alpha };

// What one placed button changes of its kind: of the base look, and of states.
struct OwnLook {
  LookValues base;
  std::map<StateId, LookValues> departures;
  bool empty() const { return base.empty() && departures.empty(); }
  bool operator==(const OwnLook&) const = default;
};

// Motion inside a state: numbers added to what the look shows, round and round or so many times.
struct KeyFrame {
  double at = 0;   // 0–1 of the period
  double add = 0;  // to the property's value, in its unit
  Easing easing;   // from here to the next one
  bool operator==(const KeyFrame&) const = default;
};
struct MotionTrack {
  PropKey key;                   // a property that is a number
  std::vector<KeyFrame> frames;  // by rising `at`; before the first and after the last they hold
  bool operator==(const MotionTrack&) const = default;
};
struct StateMotion {
  Ms delay = 0;  // from when the state is entered
  Ms period = 1000;
  int count = 0;  // how often; 0: as long as the state lasts. After the last the end holds
  std::vector<MotionTrack> tracks;
  bool operator==(const StateMotion&) const = default;
};
using StateMotions = std::map<StateId, StateMotion>;
// Motions that move nothing are left out then.
void clearPart(StateMotions& motions, const PartId& part);

struct Kind {
  KindId id;
  std::string name;
  MachineId machine;
  Px width = 280, height = 64;
  bool fitsCaption = false;  // wider where the caption needs it, with
  Px captionPadding = 24;    // this much at both sides
  Px hitPadding = 0;         // the hit area reaches this far beyond the box, 0–200 px
  HitForm hitForm = HitForm::Box;
  double hitAlpha = 0.5;      // 0–1: with Alpha, pixels at least this opaque take the pointer
  bool still = false;         // a heading, a badge: drawn at rest, never focused nor pressed
  bool sizesDiffer = false;   // pictures of different sizes for its states are wanted
  std::string sampleCaption;  // what tiles show
  std::vector<Part> parts;    // painted in this order, the last on top
  LookValues base;            // what all states share
  std::map<StateId, LookValues> departures;  // what each state changes of it
  StateMotions motions;                      // what moves while a state lasts
  Extras extra;
  bool operator==(const Kind&) const = default;
};

// The sort of the part; Whole for the empty id. Null where the kind has no such part.
const PartType* partType(const Kind& kind, const PartId& part);
// Which columns of the ledger something stands in: the base (nothing), or a state.
using Column = std::optional<StateId>;
// What is set there and nowhere below; null where nothing is.
const Value* ownValue(const Kind& kind, const Column& column, const PropKey& key);
const Value* ownValue(const OwnLook& own, const Column& column, const PropKey& key);

// Values as they are set: named ones are references (runtime/document/named.h settles them).
// The base value: what the kind says, else what the property starts with.
Value baseValue(const Kind& kind, const PropKey& key);
// The value that a state shows: its departure, else the base value.
Value valueIn(const Kind& kind, const StateId& state, const PropKey& key);
// The same for one placed button: what is its own counts before the kind's, column by column.
Value valueIn(const Kind& kind, const OwnLook* own, const Column& column, const PropKey& key);
// All properties of all parts, whole last, in the ledger's order.
std::vector<PropKey> allProperties(const Kind& kind);

}  // namespace bristle
