using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

/// <summary>Something that the plan wants known: a wait that never ends, a gap in the drawer, a window that nobody is there for.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Text">What and what to do.</param>
/// <param name="StepId">Step that it concerns, or null.</param>
public sealed record Warning(string Code, Message Text, string? StepId);
