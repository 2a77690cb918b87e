// Captions and icons of a screen against what is painted behind them.
#pragma once
#include "core/findings/probes.h"
#include "paint/screen_painter.h"

namespace bristle {

// As Eyes::captions says.
std::vector<Eyes::Caption> readCaptions(LookPainter& looks, LookTables& tables,
                                        const Project& project, const Screen& screen,
                                        std::span<const Layout> layouts,
                                        const std::atomic<bool>* stop);

// As Eyes::fadings says.
std::vector<Eyes::Fading> readFadings(LookPainter& looks, LookTables& tables,
                                      const Project& project, const Kind& kind, Ms least,
                                      const std::atomic<bool>* stop);

}  // namespace bristle
