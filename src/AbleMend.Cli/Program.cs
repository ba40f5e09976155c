using AbleMend.Cli;

return CommandLine.Run(args, Console.Out, Console.Error, TimeProvider.System);
