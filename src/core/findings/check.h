// What is wrong with a project, as far as its data and its files tell.
#pragma once
#include "core/findings/finding.h"
#include "core/findings/probes.h"

namespace bristle {

// Sound files of the machines that cannot be played.
void checkSounds(const Project& project, const WhyNoFile& why, Findings& out);
// Picture files of kinds and screens that cannot be shown.
void checkPictures(const Project& project, const WhyNoFile& why, Findings& out);

// What is wrong with files that can be read: too large for what is shown, unequal, clipping, not to
// be carried along, used by nothing.
void checkAssets(const Project& project, const Probes& probes, Findings& out);

// All rules, in their order, once. Who asks again and again keeps a Review (review.h).
Findings check(const Project& project, const Probes& probes = {});

}  // namespace bristle
