using AbleMend.Core.Words;

namespace AbleMend.Server.Photographs;

/// <summary>A photograph of a mend.</summary>
/// <param name="Id">Identifier; its picture is at <c>/api/photographs/{id}</c>.</param>
/// <param name="MendId">The mend.</param>
/// <param name="StepId">Step that it was taken at; null at intake, and of the item as a whole.</param>
/// <param name="StepTitle">What was done there, or null.</param>
/// <param name="At">When it was taken.</param>
/// <param name="Width">Width in pixels.</param>
/// <param name="Height">Height in pixels.</param>
public sealed record PhotographView(int Id, int MendId, string? StepId, Message? StepTitle, DateTimeOffset At, int Width, int Height);
