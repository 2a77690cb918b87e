// Named values: colours, lengths, fonts… that looks and timings use by name, so that a change in
// one place reaches them all. Names are grouped by dots: "tide.bright".
#pragma once
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"
#include "runtime/document/property.h"
#include "runtime/document/value.h"

namespace bristle {

enum class NamedType : std::uint8_t {
  Colour,
  Length,  // px; corners and padding take it, too
  Number,
  Font,      // a family
  Weight,    // 100–900
  Duration,  // ms
  Easing,
  Gradient,  // a Fill
  Shadow,
};

struct NamedValue {
  NamedId id;
  std::string name;
  NamedType type = NamedType::Colour;
  Value value = {};                // a NamedRef here is an alias
  std::optional<Value> dark = {};  // what counts in the dark set, where it differs
  std::string description = {};
  Extras extra = {};
  bool operator==(const NamedValue&) const = default;
};
using NamedValues = std::vector<NamedValue>;

// The named values of a project, and which of the two sets counts. Lives as long as the project.
struct Naming {
  const NamedValues* values = nullptr;
  bool dark = false;

  // Null where there is none.
  const NamedValue* find(const NamedId& id) const;
  // By the name that people see; null where there is none.
  const NamedValue* find(std::string_view name) const;
  // What it stands for after all aliases; null where it or an alias leads nowhere or in a circle.
  const Value* settle(const NamedId& id) const;
};

// A value that suits the type, where a new named value starts.
Value startOf(NamedType type);
std::string_view nameOf(NamedType type);
std::optional<NamedType> parseNamedType(std::string_view name);
// Empty when the name can be used: no empty groups, no braces, no leading $, none of ".{}" inside a
// group (Design Tokens Format Module §5.1).
std::string whyNoName(std::string_view name);
// Whether a value of this type can stand in such a property.
bool fits(NamedType type, const PropertyInfo& info);
// The type that a value in such a property would get when it is given a name.
NamedType namedTypeFor(const PropertyInfo& info);

// The value without names, of the property's own sort; its start value where a name leads nowhere.
Value settled(const Value& value, const PropertyInfo& info, const Naming& names);
// Calls with every name that the value uses.
template <class Use>
void eachName(const Value& value, Use use) {
  if (const auto* ref = std::get_if<NamedRef>(&value)) use(ref->id);
  if (const auto* fill = std::get_if<Fill>(&value)) {
    for (const Stop& stop : fill->stops)
      if (stop.named) use(stop.named);
  }
  if (const auto* shadow = std::get_if<Shadow>(&value); shadow && shadow->named) use(shadow->named);
}
// The value with one name put in for another; with no name, what it stood for is left in its place.
Value renamed(const Value& value, const NamedId& from, const NamedId& to, const Value& stoodFor);

}  // namespace bristle
