namespace AbleMend.Server.Keeping;

/// <summary>The shop's file is damaged.</summary>
/// <param name="path">Path of the file.</param>
/// <param name="newest">The newest backup, or null.</param>
public sealed class DamagedFileException(string path, string? newest) : Exception($"{path} is damaged.")
{
    /// <value>Path of the file.</value>
    public string Path { get; } = path;

    /// <value>The newest backup, or null.</value>
    public string? Newest { get; } = newest;
}
