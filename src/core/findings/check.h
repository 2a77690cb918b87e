// What is wrong with a project, as far as its data alone tells.
#pragma once
#include <atomic>
#include <functional>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

// `rule` is the rule's stable name, `place` where in the words of the project, `reason` what is
// wrong and why it matters. `screen` and `item` (or `kind`) let a view go there.
struct Finding {
  std::string_view rule;
  std::string place;
  std::string reason;
  ScreenId screen;
  ItemId item;
  KindId kind;
};

using Rule = void (*)(const Project&, const std::atomic<bool>* stop, std::vector<Finding>&);

// Why a file of the project cannot be used; empty when it can. Asked of whoever can read such files
// and knows where the project lies.
using WhyNoFile = std::function<std::string(const std::string& file)>;
struct FileProbes {
  WhyNoFile sound, picture;                 // without one the files are not looked at
  const std::atomic<bool>* stop = nullptr;  // set it to give up; what was found so far comes back
};

// One file each in this folder.
void checkReferences(const Project& project, const std::atomic<bool>* stop,
                     std::vector<Finding>& out);
void checkFocus(const Project& project, const std::atomic<bool>* stop, std::vector<Finding>& out);
void checkMachines(const Project& project, const std::atomic<bool>* stop,
                   std::vector<Finding>& out);
void checkNames(const Project& project, const std::atomic<bool>* stop, std::vector<Finding>& out);
void checkLooks(const Project& project, const std::atomic<bool>* stop, std::vector<Finding>& out);

void checkSounds(const Project& project, const WhyNoFile& why, std::vector<Finding>& out);
void checkPictures(const Project& project, const WhyNoFile& why, std::vector<Finding>& out);

// All rules, in a fixed order.
std::vector<Finding> check(const Project& project, const FileProbes& probes = {});

}  // namespace bristle
