// What a check of a project's files asks of whoever can read them.
#pragma once
#include <atomic>
#include <functional>
#include <string>

namespace bristle {

// Why a file of the project cannot be used; empty when it can. Asked of whoever can read such files
// and knows where the project lies.
using WhyNoFile = std::function<std::string(const std::string& file)>;
struct FileProbes {
  WhyNoFile sound, picture;                 // without one the files are not looked at
  const std::atomic<bool>* stop = nullptr;  // set it to give up; what was found so far comes back
};

}  // namespace bristle
