// Checks a machine against the ten laws, in every situation that it can come to.
//
//   LawSubject subject{machine, program, symbols, values, &looks};
//   const LawReport report = checkLaws(subject);
//   if (report.of(Law::Rest).broken) show(report.of(Law::Rest).sequence);
#pragma once
#include <atomic>

#include "core/laws/law.h"
#include "runtime/document/project.h"

namespace bristle {

struct LawSubject {
  const Machine& machine;
  const Program& program;      // of that machine
  const Symbols& symbols;      // that it was compiled with
  std::vector<double> values;  // where the project's values start
  const LawLooks* looks = nullptr;
  const std::atomic<bool>* stop = nullptr;  // set it to give up; the report is not whole then
  std::int64_t mostWork = kMostLawWork;     // steps; beyond, the report is not whole
  std::int64_t* work = nullptr;             // what it took is added here
};
// Visits every situation that can come about, up to the limits of explore.h.
LawReport checkLaws(const LawSubject& subject);

// The machine made ready as in a session of the project; an error where a formula is wrong.
struct Ready {
  Symbols symbols;
  Program program;
  std::vector<double> values;
};
// Compiles a machine with the project’s values; an error where a formula cannot be read.
Result<Ready> makeReady(const Machine& machine, const Project& project);

}  // namespace bristle
