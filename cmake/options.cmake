# Warnings, sanitizers, the linker and the compiler cache, the same for all layers.
add_library(bristle_options INTERFACE)
target_compile_options(bristle_options INTERFACE -Wall -Wextra -Wpedantic -Wshadow=local -Wnon-virtual-dtor)
if(BRISTLE_SANITIZE)
  # What is left out takes a third of the compiling, and leads to a fault that the address sanitizer sees.
  set(flags -fsanitize=address,undefined -fno-sanitize=null,alignment,vptr,object-size,nonnull-attribute,returns-nonnull-attribute
    -fno-sanitize-recover=undefined -fno-omit-frame-pointer)
  target_compile_options(bristle_options INTERFACE ${flags})
  target_link_options(bristle_options INTERFACE ${flags})
endif()
find_program(MOLD mold)
if(MOLD)
  target_link_options(bristle_options INTERFACE -fuse-ld=mold)
endif()
find_program(CCACHE ccache)
if(CCACHE)
  # Precompiled headers need this to be told apart by their contents.
  set(CMAKE_CXX_COMPILER_LAUNCHER ${CMAKE_COMMAND} -E env
      CCACHE_SLOPPINESS=pch_defines,time_macros,include_file_mtime,include_file_ctime ${CCACHE})
  set(CMAKE_PCH_INSTANTIATE_TEMPLATES ON)
  add_compile_options($<$<CXX_COMPILER_ID:GNU>:-fpch-preprocess>)
endif()
