// What is wrong with a project, as far as its data and its files tell.
#pragma once
#include <functional>

#include <atomic>

#include "core/findings/finding.h"

namespace bristle {

// Why a file of the project cannot be used; empty when it can. Asked of whoever can read such files
// and knows where the project lies.
using WhyNoFile = std::function<std::string(const std::string& file)>;
struct FileProbes {
  WhyNoFile sound, picture;                 // without one the files are not looked at
  const std::atomic<bool>* stop = nullptr;  // set it to give up; what was found so far comes back
};

// Sound files of the machines that cannot be played.
void checkSounds(const Project& project, const WhyNoFile& why, Findings& out);
// Picture files of kinds and screens that cannot be shown.
void checkPictures(const Project& project, const WhyNoFile& why, Findings& out);

// All rules, in their order, once. Who asks again and again keeps a Review (review.h).
Findings check(const Project& project, const FileProbes& probes = {});

}  // namespace bristle
