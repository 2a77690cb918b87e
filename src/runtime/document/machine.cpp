#include "runtime/document/machine.h"

#include <array>

namespace bristle {
namespace {

constexpr std::array<std::string_view, 6> kRoles{"", "rest", "hover", "press", "focus", "disabled"};
constexpr std::array<std::string_view, 16> kEvents{
    "over.begin", "over.end", "press",   "release",       "abandon",     "focus.gain",
    "focus.lose", "enable",   "disable", "current.begin", "current.end", "hold",
    "repeat",     "after",    "message", "unlock"};

constexpr std::array<std::string_view, 4> kFires{"release", "press", "hold", "repeat"};

template <class Enum, size_t N>
std::optional<Enum> indexIn(const std::array<std::string_view, N>& names, std::string_view name) {
  for (size_t i = 0; i < N; ++i)
    if (names[i] == name) return static_cast<Enum>(i);
  return {};
}

}  // namespace

const State* findState(const Machine& machine, const StateId& id) {
  for (const State& state : machine.states)
    if (state.id == id) return &state;
  return nullptr;
}

std::string_view nameOf(Fires fires) {
  return kFires[static_cast<size_t>(fires)];
}
std::optional<Fires> parseFires(std::string_view name) {
  return indexIn<Fires>(kFires, name);
}
std::string_view nameOf(Role role) {
  return kRoles[static_cast<size_t>(role)];
}
std::optional<Role> parseRole(std::string_view name) {
  return indexIn<Role>(kRoles, name);
}
std::string_view nameOf(Event event) {
  return kEvents[static_cast<size_t>(event)];
}
std::optional<Event> parseEvent(std::string_view name) {
  return indexIn<Event>(kEvents, name);
}

}  // namespace bristle
