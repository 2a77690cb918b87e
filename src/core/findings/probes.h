// What a check of a project asks of whoever can read its files and paint its looks.
#pragma once
#include <atomic>
#include <functional>
#include <string>

#include "runtime/layout/layout.h"

namespace bristle {

// Why a file of the project cannot be used; empty when it can. Asked of whoever can read such files
// and knows where the project lies.
using WhyNoFile = std::function<std::string(const std::string& file)>;

// What is seen, as only who has the fonts and paints can tell. Used by one thread at a time.
class Eyes {
 public:
  virtual ~Eyes() = default;
  virtual const TextMeasure& measure() const = 0;
  // Whether the caption of a placed button, by index, cannot be read in full in some state.
  virtual bool cutsCaption(const Project& project, const Screen& screen, const Layout& layout,
                           size_t item) = 0;
};

struct Probes {
  WhyNoFile sound = {}, picture = {};       // without one the files are not looked at
  Eyes* eyes = nullptr;                     // without it nothing that must be measured is told
  const std::atomic<bool>* stop = nullptr;  // set it to give up; what was found so far comes back
};

}  // namespace bristle
