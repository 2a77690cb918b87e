// The scope's rows: the signals of every button, and what else matters to this machine.
#pragma once
#include <QString>
#include <vector>

#include "core/laws/check.h"
#include "core/laws/score.h"

namespace bristle {

struct ScopeRow {
  enum class Sort { Signal, Message, Value } sort = Sort::Signal;
  int index = 0;  // of the lane, the message or the value
  QString name;
  bool operator==(const ScopeRow&) const = default;
  Deed deed() const { return sort == Sort::Message ? Deed::Message : Deed::SetValue; }
};

// Over, press, accept, focus, disabled; then current, messages and values where the machine
// minds them, or the score has them.
std::vector<ScopeRow> rowsOf(const Ready& ready, const Project& project, const Score& score);

// The mark of a row nearest to a time, not farther than `within`; −1: none.
int markAt(const Score& score, const ScopeRow& row, Ms time, Ms within);
// A message there, or the value becoming what it was not: 1 where it was 0, else 0.
void addMark(Score& score, const ScopeRow& row, Ms time, const Ready& ready);
// What a value of the row is at a time, by the marks alone.
double valueAt(const Score& score, const ScopeRow& row, Ms time, const Ready& ready);

}  // namespace bristle
