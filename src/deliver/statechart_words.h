// The names that statecharts have for ours, both ways.
#pragma once
#include <optional>
#include <string>

#include "runtime/document/machine.h"

namespace bristle {

inline constexpr const char* kOurs = "urn:bristle:machine:1";

// Letters, digits and - stay, the rest becomes _xx: in SCXML a dot parts a name into tokens, and a
// transition answers every event that begins with its tokens.
std::string token(const std::string& text);
std::string fromToken(const std::string& token);
// "over.begin", "message.go"; an `after` has its state in it, see afterEvent.
std::string chartEvent(const Transition& transition);
// "after.STATE.250": a state's own, so that one that comes late answers nothing elsewhere.
std::string afterEvent(const StateId& state, Ms after);
// Sets event, time and message; false where it is none of ours. Of an `after` the last token
// counts.
bool setEvent(Transition& transition, const std::string& name);
std::string variable(const ValueId& id);
std::string timingText(const Timing& timing);
std::optional<Timing> parseTiming(const std::string& text);
// "opacity: …; scale: …": what has a timing of its own. What cannot be read is left out.
std::string timingsText(const PropTimings& all);
PropTimings parseTimings(const std::string& text);

}  // namespace bristle
